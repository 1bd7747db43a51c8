import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Camera, X } from "lucide-react";
import { api, type PhotoAnswer } from "../api/client";
import { accepted, answered, Refusal } from "../api/refusal";
import { FilePick } from "../kit/FilePick";
import { time } from "../kit/format";

/** Larger files than this are made smaller before they are sent. */
const LARGE = 1_500_000;
const LONGEST_SIDE = 1_600;

/** A camera's picture, small enough to send; what cannot be drawn is sent as it is. */
async function small(file: File): Promise<Blob> {
  if (file.size <= LARGE) return file;
  try {
    const bitmap = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height));
    const canvas = new OffscreenCanvas(bitmap.width * scale, bitmap.height * scale);
    canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    return await canvas.convertToBlob({ type: "image/jpeg", quality: 0.9 });
  } catch {
    return file;
  }
}

function usePhotos(bowlId: string) {
  return useQuery({
    queryKey: ["photos", bowlId],
    queryFn: async () =>
      accepted<PhotoAnswer[]>(
        await api.GET("/api/v1/bowls/{id}/photos", { params: { path: { id: bowlId } } }),
      ),
  });
}

/** Pictures of the smear: taken at the bench, looked at in the log. */
export function SmearPhotos({ bowlId }: { bowlId: string }) {
  const photos = usePhotos(bowlId);
  const queries = useQueryClient();
  const onSuccess = () => queries.invalidateQueries({ queryKey: ["photos", bowlId] });
  const keep = useMutation({
    mutationFn: async (file: File) =>
      answered<PhotoAnswer>(
        await fetch(`/api/v1/bowls/${bowlId}/photos`, {
          method: "POST",
          headers: { "Content-Type": file.type || "application/octet-stream" },
          body: await small(file),
        }),
      ),
    onSuccess,
  });
  const forget = useMutation({
    mutationFn: (id: string) => api.DELETE("/api/v1/photos/{id}", { params: { path: { id } } }),
    onSuccess,
  });
  const error = keep.error;
  const reason = error instanceof Refusal ? (error.fields.photo ?? error.message) : error?.message;
  return (
    <Box display="flex" gap="2" flexWrap="wrap" alignItems="center" data-testid="photos">
      <FilePick
        label="A photo of the smear"
        accept="image/png,image/jpeg"
        camera
        busy={keep.isPending}
        onPick={(file) => keep.mutate(file)}
      >
        <Camera aria-hidden /> {keep.isPending ? "Keeping it…" : "Keep a photo of the smear"}
      </FilePick>
      {photos.data?.map((photo) => (
        <Box key={photo.id} position="relative">
          <a href={`/api/v1/photos/${photo.id}`} target="_blank" rel="noreferrer">
            <img
              src={`/api/v1/photos/${photo.id}`}
              alt={`Smear at ${time(photo.taken_at)}`}
              style={{ height: 84, width: "auto", borderRadius: 6, display: "block" }}
            />
          </a>
          <Button
            size="xs"
            position="absolute"
            top="1"
            insetEnd="1"
            minW="28px"
            h="28px"
            p="0"
            bg="bg.panel"
            color="fg"
            aria-label={`Forget the photo of ${time(photo.taken_at)}`}
            onClick={() => forget.mutate(photo.id)}
          >
            <X size={16} aria-hidden />
          </Button>
        </Box>
      ))}
      {reason && (
        <Box role="alert" color="stop" fontWeight="560">
          The photo was not kept: {reason}
        </Box>
      )}
    </Box>
  );
}
