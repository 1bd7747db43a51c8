import { UnderWayBar } from "../guide/UnderWayBar";
import { Shell } from "../kit/Shell";
import { useIsHelper } from "./me";
import { helpersPlaces, isForHelpers, makersPlaces } from "./places";

/** The frame round every page, with the places of whoever has this screen. */
export function Frame() {
  const helper = useIsHelper();
  return helper ? (
    <Shell underWay={<UnderWayBar />} places={helpersPlaces} isOpen={isForHelpers} />
  ) : (
    <Shell underWay={<UnderWayBar />} places={makersPlaces} />
  );
}
