import { Box } from "@chakra-ui/react";
import type { PaintedInputs, Way } from "../../api/client";
import { Entry } from "../../kit/Entry";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { ColourPick } from "./ColourPick";
import type { FieldsOf } from "./fieldsOfWork";
import { someColour } from "./someColour";
import { wayWords } from "./wayWords";

type With = PaintedInputs["with"];

/** How finished pieces are coloured: they lie on no sheet. */
const ways = (Object.keys(wayWords) as Way[]).filter((way) => way !== "sheet");

const dust: With = { by: "dust", name: "gold dust" };

function called(painted: With): string {
  return painted.by === "colour" ? painted.colour : painted.name;
}

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "errors" | "onAddColour"> {
  painted: PaintedInputs[];
  onChange: (patch: object) => void;
}

/** What is painted or dusted on pieces once they are finished. */
export function PaintedFields({ painted, bowls, errors, onChange, onAddColour }: Props) {
  const patch = (next: PaintedInputs[]) => ({ painted: next });
  const inColour = (colour: string): With => ({ by: "colour", colour, way: "brush" });
  const withColour = someColour({ bowls, onAddColour }, onChange);
  return (
    <Fold
      inner
      title="Painted when finished"
      value={painted.map((one) => called(one.with)).join(", then ") || "nothing"}
      faulty={faultyIn(errors, "painted")}
    >
      <ListField
        items={painted}
        at="painted"
        errors={errors}
        most={6}
        nameOf={(_, i) => `painting ${i + 1}`}
        whole="The paintings"
        more="Paint or dust the finished pieces"
        onMore={() =>
          withColour((colour) => patch([...painted, { with: inColour(colour), share_pct: 20 }]))
        }
        onChange={(next) => onChange(patch(next))}
      >
        {({ item, i, at, field, changed, away }) => (
          <Entry>
            <Box
              display="grid"
              gridTemplateColumns="minmax(0, 1fr) 96px 44px"
              gap="2"
              alignItems="end"
            >
              <SelectField
                label={i === 0 ? "With" : `Then with (${i + 1})`}
                value={item.with.by}
                choices={{ colour: "coloured cocoa butter", dust: "dry dust" }}
                onChange={(by) =>
                  by === "dust"
                    ? onChange(patch(changed({ with: dust })))
                    : withColour((colour) => patch(changed({ with: inColour(colour) })))
                }
              />
              <NumberField label="Covers" unit="%" {...field("share_pct")} />
              {away}
            </Box>
            {item.with.by === "colour" ? (
              <ColourWith
                painted={item.with}
                {...{ at, errors, bowls, onAddColour, onChange }}
                patch={(next) => patch(changed({ with: next }))}
              />
            ) : (
              <TextField
                label="Name of the dust"
                value={item.with.name}
                error={errors[`${at}.with.name`]}
                onChange={(name) => onChange(patch(changed({ with: { by: "dust", name } })))}
              />
            )}
          </Entry>
        )}
      </ListField>
    </Fold>
  );
}

interface ColourProps extends Omit<Props, "painted"> {
  painted: Extract<With, { by: "colour" }>;
  at: string;
  patch: (painted: With) => object;
}

function ColourWith({ painted, at, errors, bowls, patch, onChange, onAddColour }: ColourProps) {
  return (
    <Box display="grid" gridTemplateColumns="1fr 1fr" gap="2">
      <ColourPick
        label="Colour"
        value={painted.colour}
        error={errors[`${at}.with.colour`]}
        bowls={bowls}
        patch={(colour) => patch({ ...painted, colour })}
        onChange={onChange}
        onAddColour={onAddColour}
      />
      <SelectField
        label="Applied by"
        value={painted.way}
        choices={[...new Set([...ways, painted.way])].map((way) => ({
          value: way,
          label: wayWords[way],
        }))}
        error={errors[`${at}.with.way`]}
        onChange={(way) => onChange(patch({ ...painted, way }))}
      />
    </Box>
  );
}
