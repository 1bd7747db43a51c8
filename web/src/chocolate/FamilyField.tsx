import { Box, RadioGroup } from "@chakra-ui/react";
import { memo } from "react";
import type { BlendPart, Family } from "../api/client";
import { ListField } from "../kit/ListField";
import { NumberField } from "../kit/NumberField";
import { SelectField } from "../kit/SelectField";
import { blendLook, chocolateColours, families, familyNames } from "../theme/chocolate";

/** Where a blend starts. */
const usualBlend: BlendPart[] = [
  { family: "dark", share_pct: 60 },
  { family: "milk", share_pct: 40 },
];

/** A family, or a blend in its place. */
export interface Kind {
  family: Family;
  blend: BlendPart[] | null;
}

interface Props {
  family: Family;
  blend: BlendPart[] | null | undefined;
  errors: Record<string, string>;
  onChange: (kind: Kind) => void;
}

/** The chocolate, chosen by its colour and its name, or mixed from several. */
export const FamilyField = memo(function FamilyField({ family, blend, errors, onChange }: Props) {
  const choose = (value: string | null) => {
    if (value === "blend") return onChange({ family, blend: blend ?? usualBlend });
    const chosen = families.find((one) => one === value);
    if (chosen) onChange({ family: chosen, blend: null });
  };
  return (
    <Box>
      <RadioGroup.Root
        value={blend ? "blend" : family}
        onValueChange={(next) => choose(next.value)}
      >
        <RadioGroup.Label textStyle="label" mb="1.5" display="block">
          Chocolate
        </RadioGroup.Label>
        <Box display="grid" gridTemplateColumns="repeat(4, 1fr)" gap="1.5">
          {families.map((one) => (
            <Tile key={one} value={one} name={familyNames[one]} look={chocolateColours[one].body} />
          ))}
          <Tile value="blend" name="Blend" look={blendLook(blend ?? usualBlend)} />
        </Box>
      </RadioGroup.Root>
      {blend && (
        <BlendFields
          blend={blend}
          errors={errors}
          onChange={(parts) => onChange({ family: largest(parts), blend: parts })}
        />
      )}
    </Box>
  );
});

function largest(parts: BlendPart[]): Family {
  const [first, ...rest] = parts;
  if (!first) return "dark";
  return rest.reduce((most, part) => (part.share_pct > most.share_pct ? part : most), first).family;
}

function Tile({ value, name, look }: { value: string; name: string; look: string }) {
  return (
    <RadioGroup.Item
      value={value}
      cursor="pointer"
      flexDirection="column"
      gap="1"
      p="1"
      borderRadius="slab"
      borderWidth="2px"
      borderColor="transparent"
      _checked={{ borderColor: "ink", bg: "bg.muted" }}
    >
      <RadioGroup.ItemHiddenInput />
      <Box
        w="full"
        h="30px"
        borderRadius="4px"
        borderWidth="1px"
        borderColor="border.emphasized"
        style={{ background: look }}
      />
      <RadioGroup.ItemText fontSize="sm" fontWeight="560" lineHeight="1.15" textAlign="center">
        {name}
      </RadioGroup.ItemText>
    </RadioGroup.Item>
  );
}

interface BlendProps {
  blend: BlendPart[];
  errors: Record<string, string>;
  onChange: (blend: BlendPart[]) => void;
}

/** What is mixed, and in what shares. */
function BlendFields({ blend, errors, onChange }: BlendProps) {
  const left = 100 - blend.reduce((sum, part) => sum + part.share_pct, 0);
  const unused = families.find((one) => !blend.some((part) => part.family === one)) ?? "dark";
  return (
    <Box mt="3" display="grid" gap="2">
      <ListField
        items={blend}
        at="blend"
        errors={errors}
        fewest={2}
        most={4}
        nameOf={(_, i) => `part ${i + 1}`}
        whole="The blend"
        more="Add part"
        onMore={() => onChange([...blend, { family: unused, share_pct: Math.max(1, left) }])}
        onChange={onChange}
      >
        {({ i, field, away }) => (
          <Box
            display="grid"
            gridTemplateColumns="minmax(0, 1fr) 96px 40px"
            gap="2"
            alignItems="end"
          >
            <SelectField label={`Part ${i + 1}`} choices={familyNames} {...field("family")} />
            <NumberField label={`Share ${i + 1}`} unit="%" {...field("share_pct")} />
            {away}
          </Box>
        )}
      </ListField>
    </Box>
  );
}
