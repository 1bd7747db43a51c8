import { Box, Button, SegmentGroup } from "@chakra-ui/react";
import { Volume1 } from "lucide-react";
import { Panel } from "../kit/Panel";
import { say, setVoice, useVoice, type Voice } from "../spoken/voice";

const choices: {
  name: string;
  label: string;
  value: (voice: Voice) => string;
  values: { value: string; label: string; set: Partial<Voice> }[];
}[] = [
  {
    name: "spoken",
    label: "Instructions",
    value: ({ on }) => (on ? "on" : "off"),
    values: [
      { value: "off", label: "shown", set: { on: false } },
      { value: "on", label: "and spoken", set: { on: true } },
    ],
  },
  {
    name: "pace",
    label: "Pace",
    value: ({ pace }) => String(pace),
    values: [
      { value: "0.8", label: "slow", set: { pace: 0.8 } },
      { value: "1", label: "usual", set: { pace: 1 } },
      { value: "1.25", label: "fast", set: { pace: 1.25 } },
    ],
  },
  {
    name: "volume",
    label: "Volume",
    value: ({ volume }) => String(volume),
    values: [
      { value: "0.4", label: "soft", set: { volume: 0.4 } },
      { value: "0.7", label: "middle", set: { volume: 0.7 } },
      { value: "1", label: "loud", set: { volume: 1 } },
    ],
  },
];

/** How this device speaks, where it has a voice of its own. */
export function Spoken() {
  const voice = useVoice();
  if (!voice) return null;
  return (
    <Panel title="Spoken at the bench" mt="4">
      <Box display="grid" gap="4">
        {choices
          .filter(({ name }) => voice.on || name === "spoken")
          .map(({ name, label, value, values }) => (
            <Box
              key={name}
              display="flex"
              justifyContent="space-between"
              alignItems="center"
              gap="3"
              flexWrap="wrap"
            >
              <Box id={`voice-${name}`} fontWeight="560">
                {label}
              </Box>
              <SegmentGroup.Root
                aria-labelledby={`voice-${name}`}
                size="lg"
                value={value(voice)}
                onValueChange={(next) => {
                  const chosen = values.find((one) => one.value === next.value);
                  if (chosen) setVoice(chosen.set);
                }}
              >
                <SegmentGroup.Indicator bg="raised" />
                {values.map((choice) => (
                  <SegmentGroup.Item key={choice.value} value={choice.value} minW="84px" h="48px">
                    <SegmentGroup.ItemHiddenInput />
                    <SegmentGroup.ItemText>{choice.label}</SegmentGroup.ItemText>
                  </SegmentGroup.Item>
                ))}
              </SegmentGroup.Root>
            </Box>
          ))}
        {voice.on && (
          <Button
            size="lg"
            variant="outline"
            borderColor="border.emphasized"
            w="fit-content"
            onClick={() => say("31.4 °C: in the working range. Test for temper.")}
          >
            <Volume1 aria-hidden /> How it sounds
          </Button>
        )}
      </Box>
    </Panel>
  );
}
