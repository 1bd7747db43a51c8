import { useEffect } from "react";

interface List {
  hasNextPage: boolean;
  isFetchingNextPage: boolean;
  fetchNextPage: () => unknown;
}

/** Fetches a list to its end, where all of it is `wanted`. */
export function useToItsEnd(
  { hasNextPage, isFetchingNextPage, fetchNextPage }: List,
  wanted = true,
) {
  const more = wanted && hasNextPage && !isFetchingNextPage;
  useEffect(() => {
    if (more) fetchNextPage();
  }, [more, fetchNextPage]);
}
