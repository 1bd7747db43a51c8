import { Box, Heading } from "@chakra-ui/react";
import { Link } from "react-router";
import { useBatches, usePlans } from "../api/queries";
import { BatchRow } from "../batch/BatchRow";
import { useUnderWay } from "../guide/useUnderWay";
import { More } from "../kit/More";
import { Failed, Loading } from "../kit/Standing";
import { WayTo } from "../kit/WayTo";

/** What a helper begins with: what is under way, and the plans on paper. */
export default function ToDoPage() {
  const batches = useBatches("under_way", "");
  const plans = usePlans("in_use", "");
  const { all } = useUnderWay();
  if (batches.error && !batches.data) {
    return <Failed what="batches" error={batches.error} retry={() => batches.refetch()} />;
  }
  if (!batches.data) return <Loading what="what is under way" />;
  const said = new Map(all.map(({ batch, say }) => [batch, say]));
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        To do
      </Heading>
      {batches.data.length === 0 && (
        <Box color="fg.muted" fontSize="lg">
          Nothing is under way. What the maker begins appears here.
        </Box>
      )}
      <Box as="ul" listStyleType="none" display="grid" gap="3">
        {batches.data.map((batch) => (
          <Box as="li" key={batch.id}>
            <Link to={`/build/${batch.id}`}>
              <BatchRow batch={batch} />
            </Link>
            {said.has(batch.id) && (
              <Box px="3" pt="1" fontWeight="560">
                {said.get(batch.id)}
              </Box>
            )}
          </Box>
        ))}
      </Box>
      <More list={batches} />
      {plans.data && plans.data.length > 0 && (
        <>
          <Heading as="h2" textStyle="title" fontSize="lg" mt="6" mb="2">
            Plans
          </Heading>
          <Box as="ul" listStyleType="none" display="grid" gap="1">
            {plans.data.map(({ id, name }) => (
              <li key={id}>
                <WayTo to={`/plans/${id}/card`}>{name}</WayTo>
              </li>
            ))}
          </Box>
          <More list={plans} />
        </>
      )}
    </Box>
  );
}
