import { Box, Field, Input } from "@chakra-ui/react";
import { EitherField } from "../kit/EitherField";
import { Fault } from "../kit/Fault";

interface Props {
  looks: string | null | undefined;
  /** How it looks by its kind. */
  usual: string;
  error: string | undefined;
  onChange: (looks: string | null) => void;
}

/** How a chocolate looks: as its kind does, or in a colour of its own, as coating and wafers come. */
export function LooksField({ looks, usual, error, onChange }: Props) {
  return (
    <Box
      display="grid"
      gridTemplateColumns={looks == null ? "1fr" : "minmax(0, 1fr) 96px"}
      gap="3"
      alignItems="end"
    >
      <EitherField
        label="Its colour"
        no="as such chocolate looks"
        yes="a colour of its own"
        value={looks != null}
        onChange={(own) => onChange(own ? usual : null)}
      />
      {looks != null && (
        <Field.Root>
          <Field.Label textStyle="label">It looks</Field.Label>
          <Input
            type="color"
            p="1"
            value={looks}
            onChange={(event) => onChange(event.target.value)}
          />
        </Field.Root>
      )}
      {error && <Fault fontSize="sm">{error}</Fault>}
    </Box>
  );
}
