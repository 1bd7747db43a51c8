import { Box, chakra } from "@chakra-ui/react";
import { Link as RouterLink } from "react-router";
import type { BatchLine } from "../api/client";
import { Finish } from "../batch/Finish";
import { day } from "../kit/format";
import { Drawn } from "../kit/Row";

const Link = chakra(RouterLink);

/** Batches by their pictures: a photo, or a drawing with how it came out over it. */
export function Wall({ batches }: { batches: BatchLine[] }) {
  return (
    <Box
      display="grid"
      gap="3"
      gridTemplateColumns={{ base: "1fr 1fr", md: "repeat(auto-fill, minmax(210px, 1fr))" }}
      data-testid="wall"
    >
      {batches.map((batch) => (
        <Link
          key={batch.id}
          to={`/log/${batch.id}`}
          bg="bg.panel"
          borderRadius="slab"
          overflow="hidden"
          _hover={{ boxShadow: "inset 0 0 0 2px var(--chakra-colors-border-emphasized)" }}
        >
          <Box
            position="relative"
            aspectRatio="4 / 3"
            display="grid"
            placeItems="center"
            bg={{ base: "bg.muted", _dark: "tile" }}
            css={{ "& svg": { width: "86%", height: "86%" } }}
          >
            {batch.photo_id ? (
              <img
                src={`/api/v1/photos/${batch.photo_id}`}
                alt=""
                style={{ width: "100%", height: "100%", objectFit: "cover" }}
              />
            ) : (
              <>
                <Drawn of={batch} />
                {batch.looks && <Finish looks={batch.looks} />}
              </>
            )}
          </Box>
          <Box p="2.5">
            <Box fontWeight="600" lineClamp="2" lineHeight="1.2">
              {batch.name}
            </Box>
            <Box fontSize="sm" color="fg.muted">
              {day(batch.ended_at ?? batch.last_at)}
            </Box>
          </Box>
        </Link>
      ))}
    </Box>
  );
}
