import { Box, Field, Input } from "@chakra-ui/react";
import { Camera } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { ColourLook, Family } from "../api/client";
import { useShelf } from "../api/queries";
import { Fault } from "../kit/Fault";
import { FilePick } from "../kit/FilePick";
import { SelectField } from "../kit/SelectField";
import { familyNames } from "../theme/chocolate";
import { PutStrength } from "./PutStrength";
import type { LabFilm, SeenPiece } from "./useLook";

const grounds: Family[] = ["dark", "milk", "white", "ruby", "blond"];
/** A photo is drawn no larger than this, px. */
const WIDEST = 420;
/** As many pixels round the touch are taken together. */
const ROUND = 4;

interface Props {
  films: LabFilm[];
  seen: SeenPiece | null;
  strength: ColourLook["strength"];
  onSeen: (seen: SeenPiece | null) => void;
}

/** The mean of a patch, as `#rrggbb`. */
function meanOf({ data }: ImageData): string {
  const channel = (offset: number) => {
    let sum = 0;
    for (let i = offset; i < data.length; i += 4) sum += data[i] ?? 0;
    return Math.round(sum / (data.length / 4))
      .toString(16)
      .padStart(2, "0");
  };
  return `#${channel(0)}${channel(1)}${channel(2)}`;
}

/** The maker's own piece: its colour from a photo or a field, and what it says of a colour. */
export function FinishedPiece({ films, seen, strength, onSeen }: Props) {
  const [photo, setPhoto] = useState<ImageBitmap>();
  const [failed, setFailed] = useState(false);
  const canvas = useRef<HTMLCanvasElement>(null);
  const pigments = useShelf().data?.pigments ?? [];
  const piece: SeenPiece = seen ?? { srgb: "#2b4fc2", family: "dark", film: 0 };
  const set = (patch: Partial<SeenPiece>) => onSeen({ ...piece, ...patch });
  useEffect(() => {
    const surface = canvas.current;
    if (!photo || !surface) return;
    const scale = Math.min(1, WIDEST / photo.width);
    surface.width = photo.width * scale;
    surface.height = photo.height * scale;
    surface.getContext("2d")?.drawImage(photo, 0, 0, surface.width, surface.height);
  }, [photo]);
  const pick = (event: React.MouseEvent<HTMLCanvasElement>) => {
    const surface = event.currentTarget;
    const box = surface.getBoundingClientRect();
    const at = (from: number, size: number, whole: number) =>
      Math.max(0, Math.round((from / size) * whole) - ROUND);
    const patch = surface
      .getContext("2d", { willReadFrequently: true })
      ?.getImageData(
        at(event.clientX - box.left, box.width, surface.width),
        at(event.clientY - box.top, box.height, surface.height),
        2 * ROUND + 1,
        2 * ROUND + 1,
      );
    if (patch) set({ srgb: meanOf(patch) });
  };
  const part = films[piece.film]?.mix[0]?.recipe.pigments[0];
  const saved = pigments.find(({ id }) => id === part?.pigment_id);
  const name = (film: LabFilm) => {
    const first = film.mix[0]?.recipe.pigments[0];
    const thing = pigments.find(({ id }) => id === first?.pigment_id)?.thing;
    return thing?.name ?? first?.pigment?.name ?? "colour";
  };
  return (
    <Box display="grid" gap="3">
      <Box color="fg.muted" fontSize="sm">
        Take the colour of a piece you made, from a photo in daylight or with the field, and say
        which film it corrects: its pigment's strength follows.
      </Box>
      <Box
        display="grid"
        gap="3"
        gridTemplateColumns={{ base: "1fr 1fr", md: "120px 1fr 1fr auto" }}
        alignItems="end"
      >
        <Field.Root>
          <Field.Label textStyle="label">It came out</Field.Label>
          <Input
            type="color"
            p="1"
            value={piece.srgb}
            onChange={(event) => set({ srgb: event.target.value })}
          />
        </Field.Root>
        <SelectField
          label="On"
          value={piece.family}
          choices={grounds.map((family) => ({ value: family, label: familyNames[family] }))}
          onChange={(family) => set({ family })}
        />
        <SelectField
          label="It corrects"
          value={String(piece.film)}
          choices={films.map((film, i) => ({
            value: String(i),
            label: `film ${i + 1}: ${name(film)}`,
          }))}
          onChange={(film) => set({ film: Number(film) })}
        />
        <FilePick
          label="A photo of a piece"
          accept="image/png,image/jpeg"
          camera
          busy={false}
          onPick={(file) => {
            createImageBitmap(file).then(
              (bitmap) => {
                setFailed(false);
                setPhoto(bitmap);
              },
              () => setFailed(true),
            );
          }}
        >
          <Camera aria-hidden /> From a photo
        </FilePick>
      </Box>
      {failed && <Fault>That is no picture that can be shown: a PNG or a JPEG is needed.</Fault>}
      {photo && (
        <Box>
          <Box textStyle="label" mb="1">
            Touch the piece where its colour is even
          </Box>
          <canvas
            ref={canvas}
            onClick={pick}
            style={{ borderRadius: 6, cursor: "crosshair", maxWidth: "100%" }}
          />
        </Box>
      )}
      {seen && strength && (
        <Box display="flex" gap="4" alignItems="center" flexWrap="wrap" data-testid="strength">
          <Box
            w="56px"
            h="56px"
            borderRadius="slab"
            borderWidth="1px"
            style={{ background: seen.srgb }}
            role="img"
            aria-label="As it came out"
          />
          <Box
            w="56px"
            h="56px"
            borderRadius="slab"
            borderWidth="1px"
            style={{ background: strength.looks }}
            role="img"
            aria-label="As it then looks here"
          />
          <Box maxW="420px">
            <Box fontWeight="600">
              {name(films[piece.film] ?? films[0] ?? { id: "", mix: [], way: "brush", passes: 1 })}{" "}
              is {strength.factor} times as strong as counted on.
            </Box>
            {!strength.matches && (
              <Box fontSize="sm">
                No strength makes it look quite so: the hue is another. Change how the pigment
                looks.
              </Box>
            )}
          </Box>
          {saved && strength.matches && <PutStrength saved={saved} factor={strength.factor} />}
        </Box>
      )}
    </Box>
  );
}
