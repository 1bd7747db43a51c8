import { Box, Button, chakra } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Eye } from "lucide-react";
import { Link as RouterLink } from "react-router";
import { api, type ToLookAt } from "../api/client";
import { keys } from "../api/queries";
import { accepted, done } from "../api/refusal";
import { afters } from "./words";

const Link = chakra(RouterLink);
/** What is asked for at once; more of it would not be quiet. */
const MOST = 3;

/** What it is time to look at: one quiet line each, which can be passed over. */
export function LooksDue() {
  const queries = useQueryClient();
  const due = useQuery({
    queryKey: keys.looksDue,
    queryFn: async () => accepted<ToLookAt[]>(await api.GET("/api/v1/looks")),
  });
  const pass = useMutation({
    mutationFn: async ({ batch_id, after }: ToLookAt) =>
      done(
        await api.PUT("/api/v1/batches/{id}/passed-look", {
          params: { path: { id: batch_id } },
          body: { after },
        }),
      ),
    onSuccess: (_, { batch_id }) => {
      queries.invalidateQueries({ queryKey: keys.looksDue });
      queries.invalidateQueries({ queryKey: keys.batch(batch_id) });
    },
  });
  if (!due.data?.length) return null;
  return (
    <Box
      as="ul"
      listStyleType="none"
      mb="4"
      bg="cool.wash"
      borderRadius="slab"
      ps="4"
      pe="2"
      py="1"
      data-testid="looks-due"
    >
      {due.data.slice(0, MOST).map((one) => (
        <Box as="li" key={one.batch_id} display="flex" gap="3" alignItems="center">
          <Eye size={20} aria-hidden />
          <Link
            to={`/log/${one.batch_id}`}
            flex="1"
            minW="0"
            minH="48px"
            display="flex"
            alignItems="center"
          >
            <span>
              <b>{one.name}</b>: {afters[one.after].since} has passed, time for a look
            </span>
          </Link>
          <Button
            variant="ghost"
            minH="48px"
            disabled={pass.isPending}
            aria-label={`Not this time: ${one.name}`}
            onClick={() => pass.mutate(one)}
          >
            Not this time
          </Button>
        </Box>
      ))}
    </Box>
  );
}
