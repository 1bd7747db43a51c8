import { Button } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { memo } from "react";
import { useNavigate } from "react-router";
import { api, type BowlWithPlan } from "../api/client";
import { accepted } from "../api/refusal";
import { Fault } from "../kit/Fault";

interface Props {
  batchId: string;
  /** The chocolate that is shown, where something is made from it. */
  chocolate: string | undefined;
  /** Its name, where there are several. */
  name: string | undefined;
  faulty: boolean;
  save: () => Promise<void>;
}

/** Where it goes from here: to the bench, or on to the build. */
export const Goings = memo(function Goings({ batchId, chocolate, name, faulty, save }: Props) {
  const navigate = useNavigate();
  const params = { path: { id: batchId } };
  const open = useMutation({
    mutationFn: async () => {
      await save();
      return accepted<BowlWithPlan>(
        await api.POST("/api/v1/batches/{id}/bowls", {
          params,
          body: { id: crypto.randomUUID(), chocolate: chocolate ?? null, simulated: false },
        }),
      );
    },
    onSuccess: ({ bowl }) => navigate(`/bench/${bowl.id}`),
  });
  const build = useMutation({
    mutationFn: async () => {
      await save();
      accepted(await api.POST("/api/v1/batches/{id}/build", { params }));
    },
    onSuccess: () => navigate(`/build/${batchId}`),
  });
  const failed = open.error ?? build.error;
  const look = {
    size: "lg",
    h: "auto",
    minH: "56px",
    px: "6",
    maxW: "full",
    whiteSpace: "normal",
  } as const;
  return (
    <>
      {chocolate !== undefined && (
        <Button
          {...look}
          bg="ink"
          color="onInk"
          disabled={faulty || open.isPending}
          onClick={() => open.mutate()}
        >
          {name === undefined ? "Take it to the bench" : `Take the ${name} to the bench`}
        </Button>
      )}
      <Button
        {...look}
        variant="outline"
        borderColor="border.emphasized"
        disabled={faulty || build.isPending}
        onClick={() => build.mutate()}
      >
        Build guide
      </Button>
      {failed && <Fault width="full">That could not be begun: {failed.message}</Fault>}
    </>
  );
});
