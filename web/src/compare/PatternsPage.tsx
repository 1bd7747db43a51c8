import { Box, Heading } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { api, type LogPatterns } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { figure } from "../kit/format";
import { inWords } from "../kit/message";
import { Panel } from "../kit/Panel";
import { Failed, Loading } from "../kit/Standing";
import { WayTo } from "../kit/WayTo";
import { StillRead } from "../logbook/StillRead";
import { degrees } from "./factors";

const monthName = new Intl.DateTimeFormat("en-GB", { month: "short", year: "2-digit" });

/** What the log tells over all its batches, and no more than that. */
export default function PatternsPage() {
  const told = useQuery({
    queryKey: keys.patterns,
    queryFn: async () => accepted<LogPatterns>(await api.GET("/api/v1/log/patterns")),
  });
  if (told.error && !told.data)
    return <Failed what="log" error={told.error} retry={() => told.refetch()} />;
  if (!told.data) return <Loading what="what the log tells" />;
  const { found, tested, cases, fits, months } = told.data;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Box display="flex" alignItems="center" justifyContent="space-between" flexWrap="wrap" py="3">
        <Heading as="h1" textStyle="title" fontSize="2xl">
          What the log tells
        </Heading>
        <WayTo to="/log/compare">Compare bowls</WayTo>
      </Box>
      <StillRead />
      <Box display="grid" gap="4" gridTemplateColumns="minmax(0, 1fr)">
        <Panel title="What goes with good and bad results">
          {found.map(({ factor, says, chance }) => (
            <Box key={factor} mb="3">
              <Box fontSize="xl" fontWeight="640" lineHeight="1.25">
                {inWords(says)}
              </Box>
              <Box color="fg.muted" fontSize="sm">
                {`By chance alone that happens ${oftenness(chance)}, all ${tested} tests counted in.`}
              </Box>
            </Box>
          ))}
          {found.length === 0 && <Box fontWeight="560">Nothing that chance does not explain.</Box>}
          <Box color="fg.muted" mt="2">
            {`${cases} things were made and looked at. Of eight things that could matter, ${tested} could be tested: that takes five cases on each side. What goes with a fault need not be its cause.`}
          </Box>
        </Panel>
        {months.length > 0 && (
          <Panel title="Month by month">
            <Months months={months} />
          </Panel>
        )}
        {fits.length > 0 && (
          <Panel title="How well forecasts fitted">
            <Box as="ul" listStyleType="none" display="grid" gap="2">
              {fits.map(({ ware_id, name, bowls, held_pct, off_c }) => (
                <li key={ware_id ?? "kitchen"}>
                  <b>
                    {ware_id === null || ware_id === undefined
                      ? "In this kitchen"
                      : (name ?? "A bowl that is gone")}
                  </b>
                  {`: over ${bowls} ${bowls === 1 ? "bowl" : "bowls"}, three minutes ahead, ${figure(held_pct)} of 100 readings came within the range shown, ${degrees(off_c)} off in the mean.`}
                </li>
              ))}
            </Box>
          </Panel>
        )}
      </Box>
    </Box>
  );
}

function oftenness(chance: number): string {
  const once = Math.round(1 / Math.max(chance, 1e-6));
  return once > 1000 ? "less than once in 1000 times" : `once in ${once} times`;
}

/** A column a month: what came out well, of what was looked at. */
function Months({ months }: { months: LogPatterns["months"] }) {
  const most = Math.max(...months.map(({ looked }) => looked));
  return (
    <Box
      display="flex"
      gap="2"
      alignItems="end"
      overflowX="auto"
      tabIndex={0}
      role="region"
      aria-label="Months"
      data-testid="months"
    >
      {months.map(({ month, looked, good }) => (
        <Box key={month} flex="1 1 0" minW="56px" maxW="110px" textAlign="center">
          <Box fontWeight="640">{`${good} of ${looked}`}</Box>
          <Box
            mx="auto"
            w="70%"
            h={`${(looked / most) * 120}px`}
            bg="border"
            borderTopRadius="4px"
            display="flex"
            alignItems="end"
            aria-hidden
          >
            <Box w="full" h={`${(good / looked) * 100}%`} bg="ink" borderTopRadius="4px" />
          </Box>
          <Box fontSize="sm" color="fg.muted">
            {monthName.format(new Date(`${month}-15T12:00`))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
