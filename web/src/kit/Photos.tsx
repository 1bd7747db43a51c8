import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Camera, X } from "lucide-react";
import { api, type PhotoAnswer } from "../api/client";
import { accepted, answered, Refusal } from "../api/refusal";
import { Fault } from "./Fault";
import { FilePick } from "./FilePick";
import { time } from "./format";
import { small } from "./photo";

interface Props {
  /** What they are of: a bowl's smear, or a batch's finished pieces. */
  of: "bowls" | "batches";
  id: string;
  /** In a word or two: "the smear". */
  what: string;
}

function usePhotos(of: Props["of"], id: string) {
  const params = { path: { id } };
  return useQuery({
    queryKey: ["photos", id],
    queryFn: async () =>
      accepted<PhotoAnswer[]>(
        of === "bowls"
          ? await api.GET("/api/v1/bowls/{id}/photos", { params })
          : await api.GET("/api/v1/batches/{id}/photos", { params }),
      ),
  });
}

/** Pictures: of a smear at the bench, of finished pieces in the log. */
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
    mutationFn: (photo: string) =>
      api.DELETE("/api/v1/photos/{id}", { params: { path: { id: photo } } }),
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
            onClick={() => forget.mutate(photo.id)}
          >
            <Box bg="bg.panel" color="fg" borderRadius="4px" p="1.5">
              <X size={16} aria-hidden />
            </Box>
          </Button>
        </Box>
      ))}
      {reason && <Fault>The photo was not saved: {reason}</Fault>}
    </Box>
  );
}
