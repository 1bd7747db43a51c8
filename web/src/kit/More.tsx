import { Button } from "@chakra-ui/react";

interface Props {
  list: { hasNextPage: boolean; isFetchingNextPage: boolean; fetchNextPage: () => unknown };
}

/** The next part of a list that is longer than a page. */
export function More({ list }: Props) {
  if (!list.hasNextPage) return null;
  return (
    <Button
      variant="outline"
      size="lg"
      minH="52px"
      width="full"
      borderColor="border.emphasized"
      disabled={list.isFetchingNextPage}
      onClick={() => list.fetchNextPage()}
    >
      {list.isFetchingNextPage ? "Fetching more…" : "Show more"}
    </Button>
  );
}
