import { Box, Button, Heading, SegmentGroup, Stack } from "@chakra-ui/react";
import { TabletSmartphone, Volume2 } from "lucide-react";
import { Link as RouterLink } from "react-router";
import type { Alarm } from "../api/client";
import { play } from "../bench/alarms";
import { useIsHelper } from "../devices/me";
import { type Display, display, setDisplay } from "../kit/display";
import { Panel } from "../kit/Panel";
import { AlarmsElsewhere } from "./AlarmsElsewhere";
import { Everything } from "./Everything";
import { Spoken } from "./Spoken";

const choices: {
  name: keyof Display;
  label: string;
  values: { value: string; label: string }[];
}[] = [
  {
    name: "temperature",
    label: "Temperatures",
    values: [
      { value: "C", label: "°C" },
      { value: "F", label: "°F" },
    ],
  },
  {
    name: "mass",
    label: "Masses",
    values: [
      { value: "g", label: "grams" },
      { value: "oz", label: "ounces" },
    ],
  },
  {
    name: "print",
    label: "Print",
    values: [
      { value: "usual", label: "usual" },
      { value: "large", label: "large" },
    ],
  },
  {
    name: "hand",
    label: "Hand that touches",
    values: [
      { value: "left", label: "left" },
      { value: "right", label: "right" },
    ],
  },
];

const sounds: { alarm: Alarm; label: string }[] = [
  { alarm: "limit", label: "The limit" },
  { alarm: "band", label: "The working band" },
  { alarm: "timer", label: "A time is up" },
];

/** How this browser shows things, which devices there are, and all that is kept. */
export default function SettingsPage() {
  const helper = useIsHelper();
  return (
    <Box px={{ base: "3", md: "6" }} maxW="640px" width="full" mx="auto" pb="8">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        Settings
      </Heading>
      <Panel title="This browser">
        <Stack gap="4">
          {choices.map(({ name, label, values }) => (
            <Box
              key={name}
              display="flex"
              justifyContent="space-between"
              alignItems="center"
              gap="4"
            >
              <Box id={`display-${name}`} fontWeight="560">
                {label}
              </Box>
              <SegmentGroup.Root
                aria-labelledby={`display-${name}`}
                size="lg"
                value={display[name]}
                onValueChange={({ value }) => value && setDisplay({ [name]: value })}
              >
                <SegmentGroup.Indicator bg="raised" />
                {values.map((choice) => (
                  <SegmentGroup.Item key={choice.value} value={choice.value} minW="104px" h="48px">
                    <SegmentGroup.ItemHiddenInput />
                    <SegmentGroup.ItemText>{choice.label}</SegmentGroup.ItemText>
                  </SegmentGroup.Item>
                ))}
              </SegmentGroup.Root>
            </Box>
          ))}
        </Stack>
      </Panel>
      <Panel title="Sounds at the bench" mt="4">
        <Box display="flex" gap="2" flexWrap="wrap">
          {sounds.map(({ alarm, label }) => (
            <Button
              key={alarm}
              size="lg"
              variant="outline"
              borderColor="border.emphasized"
              onClick={() => play(alarm)}
            >
              <Volume2 aria-hidden /> {label}
            </Button>
          ))}
        </Box>
      </Panel>
      <AlarmsElsewhere />
      <Spoken />
      <Box mt="3" fontSize="sm" color="fg.muted">
        What is kept stays in °C and grams, so another browser may show it in another way.
      </Box>
      {!helper && (
        <Box mt="4" display="grid" gap="4">
          <Panel title="Devices">
            <Box fontSize="sm" color="fg.muted" mb="3">
              A phone or tablet at the bench, a helper's screen, a thermometer that sends by itself.
            </Box>
            <Button asChild size="lg" variant="outline" borderColor="border.emphasized">
              <RouterLink to="/settings/devices">
                <TabletSmartphone aria-hidden /> Devices in the kitchen
              </RouterLink>
            </Button>
          </Panel>
          <Everything />
        </Box>
      )}
    </Box>
  );
}
