import { Box, Button } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { Check } from "lucide-react";
import { type MouseEvent, useState } from "react";
import { api } from "../api/client";
import type { OnShelf } from "../api/queries";
import { accepted } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { Photos, usePhotos } from "../kit/Photos";
import { Swatch } from "../kit/Swatch";
import { useKeep } from "./useThing";

/** A colour that is ready: photos of it, and how it looks taken from one of them. */
export function ColourPhotos({ item }: { item: OnShelf<"pigment"> }) {
  const photos = usePhotos("shelf", item.id).data ?? [];
  if (item.thing.carrier !== "butter") return null;
  const latest = photos.at(-1);
  return (
    <Box mt="3" display="grid" gap="2">
      <Photos of="shelf" id={item.id} what="the colour" />
      {latest && <TakenFrom key={latest.id} item={item} photo={latest.id} />}
    </Box>
  );
}

/** The latest photo, large: touched where the colour is, it says how that looks. */
function TakenFrom({ item, photo }: { item: OnShelf<"pigment">; photo: string }) {
  const [place, setPlace] = useState<{ x_pct: number; y_pct: number } | null>(null);
  const { keep, busy, said } = useKeep(item, () => setPlace(null));
  const spot = useMutation({
    mutationFn: async (body: { x_pct: number; y_pct: number }) =>
      accepted<{ srgb: string }>(
        await api.POST("/api/v1/photos/{id}/spot", { params: { path: { id: photo } }, body }),
      ),
  });
  const seen = place && spot.data?.srgb;
  function touched(event: MouseEvent<HTMLButtonElement>) {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    // A key has no place: it means the middle.
    const byKey = event.detail === 0;
    const share = (at: number, from: number, size: number) =>
      byKey ? 50 : Math.min(100, Math.max(0, ((at - from) / size) * 100));
    const at = {
      x_pct: share(event.clientX, left, width),
      y_pct: share(event.clientY, top, height),
    };
    setPlace(at);
    spot.mutate(at);
  }
  return (
    <Box display="grid" gap="2" data-testid="colour-from-photo">
      <Box fontSize="sm" color="fg.muted">
        Touch the photo where the colour is. Taken in daylight on white, it comes near.
      </Box>
      <Box
        asChild
        position="relative"
        width="fit-content"
        maxW="100%"
        borderRadius="slab"
        overflow="hidden"
        cursor="crosshair"
      >
        <button type="button" aria-label="Take the colour from the photo" onClick={touched}>
          <img
            src={`/api/v1/photos/${photo}`}
            alt={item.thing.name}
            style={{ maxHeight: 220, maxWidth: "100%", display: "block" }}
          />
          {place && (
            <Box
              as="span"
              position="absolute"
              w="22px"
              h="22px"
              m="-11px"
              borderRadius="full"
              borderWidth="3px"
              borderColor="white"
              boxShadow="0 0 0 2px #000"
              pointerEvents="none"
              style={{ left: `${place.x_pct}%`, top: `${place.y_pct}%` }}
            />
          )}
        </button>
      </Box>
      {seen && (
        <Box display="flex" gap="3" alignItems="center">
          <Swatch looks={seen} size={44} />
          <Button
            h="48px"
            bg="ink"
            color="onInk"
            disabled={busy}
            onClick={() => keep({ thing: { ...item.thing, srgb: seen } })}
          >
            <Check aria-hidden /> It looks like this
          </Button>
        </Box>
      )}
      {(said ?? spot.error?.message) && <Fault>{said ?? spot.error?.message}</Fault>}
    </Box>
  );
}
