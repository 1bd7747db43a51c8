import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Camera, X } from "lucide-react";
import { api, type PhotoAnswer } from "../api/client";
import { accepted, answered, done, Refusal } from "../api/refusal";
import { Fault } from "./Fault";
import { FilePick } from "./FilePick";
import { time } from "./format";
import { small } from "./photo";

interface Props {
  /** What they are of: a bowl's smear, a batch's finished pieces, or a colour on the shelf. */
  of: "bowls" | "batches" | "shelf";
  id: string;
  /** In a word or two: "the smear". */
  what: string;
}

const read = {
  bowls: (params: ById) => api.GET("/api/v1/bowls/{id}/photos", params),
  batches: (params: ById) => api.GET("/api/v1/batches/{id}/photos", params),
  shelf: (params: ById) => api.GET("/api/v1/shelf/{id}/photos", params),
};

type ById = { params: { path: { id: string } } };

/** The photos of something. */
export function usePhotos(of: Props["of"], id: string) {
  return useQuery({
    queryKey: ["photos", id],
    queryFn: async () => accepted<PhotoAnswer[]>(await read[of]({ params: { path: { id } } })),
  });
}

/** Pictures: of a smear at the bench, of finished pieces in the log, of a colour on the shelf. */
export function Photos({ of, id, what }: Props) {
  const photos = usePhotos(of, id);
  const queries = useQueryClient();
  const onSuccess = () => queries.invalidateQueries({ queryKey: ["photos", id] });
  const keep = useMutation({
    mutationFn: async (file: File) =>
      answered<PhotoAnswer>(
        await fetch(`/api/v1/${of}/${id}/photos?id=${crypto.randomUUID()}`, {
          method: "POST",
          headers: { "Content-Type": file.type || "application/octet-stream" },
          body: await small(file),
        }),
      ),
    onSuccess,
  });
  const forget = useMutation({
    mutationFn: async (photo: string) =>
      done(await api.DELETE("/api/v1/photos/{id}", { params: { path: { id: photo } } })),
    onSuccess,
  });
  const error = keep.error;
  const reason = error instanceof Refusal ? (error.fields.photo ?? error.message) : error?.message;
  return (
    <Box display="flex" gap="2" flexWrap="wrap" alignItems="center" data-testid="photos">
      <FilePick
        label={`A photo of ${what}`}
        accept="image/png,image/jpeg"
        camera
        busy={keep.isPending}
        onPick={(file) => keep.mutate(file)}
      >
        <Camera aria-hidden /> {keep.isPending ? "Saving…" : `Add a photo of ${what}`}
      </FilePick>
      {photos.data?.map((photo) => (
        <Box key={photo.id} position="relative">
          <a href={`/api/v1/photos/${photo.id}`} target="_blank" rel="noreferrer">
            <img
              src={`/api/v1/photos/${photo.id}`}
              alt={`${what} at ${time(photo.taken_at)}`}
              style={{ height: 84, width: "auto", borderRadius: 6, display: "block" }}
            />
          </a>
          <Button
            variant="plain"
            position="absolute"
            top="0"
            insetEnd="0"
            p="0"
            aria-label={`Delete the photo of ${time(photo.taken_at)}`}
            disabled={forget.isPending}
            onClick={() => forget.mutate(photo.id)}
          >
            <Box bg="bg.panel" color="fg" borderRadius="4px" p="1.5">
              <X size={16} aria-hidden />
            </Box>
          </Button>
        </Box>
      ))}
      {reason && <Fault>The photo was not saved: {reason}</Fault>}
      {forget.error && <Fault>The photo is still there: {forget.error.message}</Fault>}
    </Box>
  );
}
