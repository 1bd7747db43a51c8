import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { Link as RouterLink, useNavigate, useParams } from "react-router";
import type { BatchLine } from "../api/client";
import { useBatches } from "../api/queries";
import { day } from "../kit/format";
import { PrintButton } from "../kit/PrintButton";
import { Failed, Loading } from "../kit/Standing";
import { useToItsEnd } from "../kit/useToItsEnd";
import { cameOut } from "../looks/words";

const Link = chakra(RouterLink);
const monthName = new Intl.DateTimeFormat("en-GB", { month: "long" });

/** A year of the log on paper: month by month what was made and how it came out. */
export default function YearPage() {
  const year = Number(useParams().year);
  const known = Number.isInteger(year) && year >= 2000 && year < 2100;
  const shown = known ? year : new Date().getFullYear();
  const at = (of: number) => new Date(of, 0, 1).toISOString();
  const batches = useBatches("over", "", { from: at(shown), until: at(shown + 1) });
  const navigate = useNavigate();
  useToItsEnd(batches);
  if (batches.error && !batches.data) {
    return <Failed what="year" error={batches.error} retry={() => batches.refetch()} />;
  }
  if (!batches.data || batches.hasNextPage) return <Loading what="the year" />;
  const whenOf = ({ ended_at, begun_at }: BatchLine) => new Date(ended_at ?? begun_at);
  const all = batches.data.toSorted((a, b) => whenOf(a).getTime() - whenOf(b).getTime());
  const months = Array.from({ length: 12 }, (_, month) => ({
    name: monthName.format(new Date(shown, month, 1)),
    made: all.filter((batch) => whenOf(batch).getMonth() === month),
  })).filter(({ made }) => made.length > 0);
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="900px" width="full" mx="auto">
      <Box display="flex" gap="2" alignItems="center" my="3" _print={{ display: "none" }}>
        <Button
          variant="outline"
          minH="48px"
          aria-label="Year before"
          onClick={() => navigate(`/log/year/${shown - 1}`)}
        >
          <ChevronLeft aria-hidden />
        </Button>
        <Button
          variant="outline"
          minH="48px"
          aria-label="Year after"
          onClick={() => navigate(`/log/year/${shown + 1}`)}
        >
          <ChevronRight aria-hidden />
        </Button>
        <PrintButton />
      </Box>
      <Box
        as="article"
        bg="bg.panel"
        borderRadius="slab"
        p={{ base: "3", md: "6" }}
        data-testid="year"
        _print={{ p: "0", bg: "white", fontSize: "10pt" }}
      >
        <Heading as="h1" textStyle="title" fontSize="2xl">
          {shown}
        </Heading>
        <Box color="fg.muted" mb="3">
          {all.length === 0
            ? "Nothing was made in this year."
            : `${all.length} ${all.length === 1 ? "batch" : "batches"}, ${all.filter(({ stage }) => stage === "lost").length} of them given up.`}
        </Box>
        {months.map(({ name, made }) => (
          <Box key={name} mb="3" css={{ breakInside: "avoid" }}>
            <Heading as="h2" textStyle="title" fontSize="md">
              {name}
            </Heading>
            {made.map((batch) => (
              <Box
                key={batch.id}
                display="flex"
                justifyContent="space-between"
                alignItems="center"
                gap="3"
                borderTopWidth="1px"
                borderColor="border"
              >
                <Link to={`/log/${batch.id}`} minH={{ base: "48px", _print: "0" }} py="2">
                  <b>{batch.name}</b>, {day(batch.ended_at ?? batch.begun_at)}
                </Link>
                <Box flexShrink={0}>{outcome(batch)}</Box>
              </Box>
            ))}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function outcome({ stage, looks, faults }: BatchLine): string {
  if (stage === "lost") return "Given up";
  return cameOut(looks, faults) || "Not looked at";
}
