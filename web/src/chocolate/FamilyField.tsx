import { Box, Button, RadioGroup } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import { memo } from "react";
import type { BlendPart, Family } from "../api/client";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { blendLook, chocolateColours, families, familyNames } from "../theme/chocolate";

/** Where a blend starts. */
const usualBlend: BlendPart[] = [
  { family: "dark", share_pct: 60 },
  { family: "milk", share_pct: 40 },
];
const mostParts = 4;

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
  const change = (i: number, patch: Partial<BlendPart>) =>
    onChange(blend.map((part, j) => (j === i ? { ...part, ...patch } : part)));
  const left = 100 - blend.reduce((sum, part) => sum + part.share_pct, 0);
  const unused = families.find((one) => !blend.some((part) => part.family === one)) ?? "dark";
  return (
    <Box mt="3" display="grid" gap="2">
      {blend.map((part, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the blend
          key={i}
          display="grid"
          gridTemplateColumns="minmax(0, 1fr) 96px 40px"
          gap="2"
          alignItems="end"
        >
          <SelectField
            label={`Part ${i + 1}`}
            value={part.family}
            choices={families.map((one) => ({ value: one, label: familyNames[one] }))}
            onChange={(value) => {
              const family = families.find((one) => one === value);
              if (family) change(i, { family });
            }}
          />
          <UnitField
            label={`Share ${i + 1}`}
            unit="%"
            value={part.share_pct}
            error={errors[`blend[${i}].share_pct`]}
            onChange={(share_pct) => share_pct !== null && change(i, { share_pct })}
          />
          <Button
            variant="ghost"
            minW="40px"
            px="0"
            aria-label={`Leave out part ${i + 1}`}
            disabled={blend.length <= 2}
            onClick={() => onChange(blend.filter((_, j) => j !== i))}
          >
            <X aria-hidden />
          </Button>
        </Box>
      ))}
      {errors.blend && (
        <Box role="alert" color="stop" fontWeight="560" fontSize="sm">
          The blend {errors.blend}
        </Box>
      )}
      {blend.length < mostParts && (
        <Button
          variant="ghost"
          size="sm"
          justifySelf="start"
          onClick={() => onChange([...blend, { family: unused, share_pct: Math.max(1, left) }])}
        >
          <Plus aria-hidden /> Add a part
        </Button>
      )}
    </Box>
  );
}
