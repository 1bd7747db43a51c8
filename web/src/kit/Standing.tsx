import { Box, Button, Heading, Spinner } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { IS_ON_A_DEVICE } from "../api/kept";

interface Props {
  title: string;
  children?: ReactNode;
  action?: { label: string; onClick: () => void };
}

/** What stands where there is nothing to show: empty, missing or broken. */
export function Standing({ title, children, action }: Props) {
  return (
    <Box maxW="34rem" mx="auto" py={{ base: "10", md: "20" }} px="4">
      <Heading as="h1" textStyle="title" fontSize="2xl" mb="2">
        {title}
      </Heading>
      <Box color="fg.muted" fontSize="lg">
        {children}
      </Box>
      {action && (
        <Button mt="5" size="lg" bg="ink" color="onInk" onClick={action.onClick}>
          {action.label}
        </Button>
      )}
    </Box>
  );
}

export function Loading({ what }: { what: string }) {
  return (
    <Box
      display="flex"
      gap="3"
      alignItems="center"
      p="8"
      role="status"
      color="fg.muted"
      data-testid="loading"
    >
      <Spinner size="sm" aria-hidden /> Fetching {what}…
    </Box>
  );
}

/** Where there is no answer at all, each browser has words of its own for it. */
const silent = IS_ON_A_DEVICE
  ? "The kitchen's server does not answer. Is it still running, and is this device in the same network?"
  : "The server on this machine does not answer. Is it still running?";

export function Failed({ what, error, retry }: { what: string; error: Error; retry: () => void }) {
  return (
    <Standing title={`No ${what} to show`} action={{ label: "Try again", onClick: retry }}>
      {error instanceof TypeError ? silent : error.message}
    </Standing>
  );
}

/** A question to the server, as far as it matters here. */
interface Asked {
  data: unknown;
  error: Error | null;
  refetch: () => unknown;
}

/** What stands where an answer is not there: that it is fetched, or why one of them did not come. */
export function Missing({ what, asked }: { what: string; asked: Asked[] }) {
  const failed = asked.filter(({ data, error }) => data === undefined && error);
  const error = failed[0]?.error;
  if (!error) return <Loading what={`the ${what}`} />;
  const retry = () => {
    for (const one of failed) one.refetch();
  };
  return <Failed what={what} error={error} retry={retry} />;
}
