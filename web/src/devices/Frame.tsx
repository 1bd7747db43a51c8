import { useEffect } from "react";
import { useLocation } from "react-router";
import { IS_ON_A_DEVICE } from "../api/kept";
import { Refusal } from "../api/refusal";
import { UnderWayBar } from "../guide/UnderWayBar";
import { time } from "../kit/format";
import { rememberPlace } from "../kit/lastPlace";
import { Offline } from "../kit/Offline";
import { Shell } from "../kit/Shell";
import { useMe } from "./me";
import { NewRelease } from "./NewRelease";
import { helpersPlaces, isForHelpers, makersPlaces } from "./places";

/** Pages that say by themselves whether they are heard. */
const saysItself = /^\/(bench|build)(\/|$)/;

/** On a device: that the server is away, and since when what is shown was not asked for. */
function Away() {
  const { pathname } = useLocation();
  const me = useMe();
  const away = IS_ON_A_DEVICE && me.error !== null && !(me.error instanceof Refusal);
  if (!away || saysItself.test(pathname)) return null;
  const since = me.dataUpdatedAt > 0 ? ` at ${time(new Date(me.dataUpdatedAt).toISOString())}` : "";
  return (
    <Offline data-testid="away" mx={{ base: "3", md: "6" }} mt="2" _print={{ display: "none" }}>
      No connection to the server. What stands here was known{since}.
    </Offline>
  );
}

/** The frame round every page, with the places of whoever has this screen. */
export function Frame() {
  const helper = useMe().data?.role === "helper";
  const { pathname, search } = useLocation();
  useEffect(() => rememberPlace(pathname + search), [pathname, search]);
  const beside = { underWay: <UnderWayBar />, above: <Away /> };
  return (
    <>
      {helper ? (
        <Shell {...beside} places={helpersPlaces} isOpen={isForHelpers} />
      ) : (
        <Shell {...beside} places={makersPlaces} />
      )}
      <NewRelease />
    </>
  );
}
