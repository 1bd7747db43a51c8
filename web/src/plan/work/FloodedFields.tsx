import type { WorkOf } from "../../api/client";
import { EitherField } from "../../kit/EitherField";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { UnitField } from "../../kit/UnitField";
import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./fieldsOfWork";

type Piped = WorkOf<"piped">;
type Flooded = NonNullable<Piped["flooded"]>;

interface Props
  extends Pick<FieldsOf<Piped>, "bowls" | "names" | "errors" | "onAddChocolate" | "onChange"> {
  flooded: Flooded;
  /** Whether the outlines are drawn, so that their area is known. */
  drawn: boolean;
}

/** What bodies are filled with, and their backs. */
export function FloodedFields({ flooded, drawn, errors, onChange, ...pick }: Props) {
  const changed = (patch: Partial<Flooded>) => ({ flooded: { ...flooded, ...patch } });
  const { back } = flooded;
  return (
    <>
      <Pair>
        <ChocolatePick
          {...pick}
          label="Filled with"
          value={flooded.chocolate}
          error={errors["flooded.chocolate"]}
          patch={(chocolate) => changed({ chocolate })}
          onChange={onChange}
        />
        <NumberField
          label="Depth"
          unit="mm"
          value={flooded.depth_mm}
          error={errors["flooded.depth_mm"]}
          onChange={(depth_mm) => onChange(changed({ depth_mm }))}
        />
        {!drawn && (
          <UnitField
            label="Area of one body"
            unit="cm²"
            value={flooded.area_cm2}
            error={errors["flooded.area_cm2"]}
            onChange={(area_cm2) => onChange(changed({ area_cm2 }))}
          />
        )}
      </Pair>
      <EitherField
        label="Backs"
        value={back != null}
        no="as they are"
        yes="spread over with another chocolate"
        onChange={(wanted) =>
          onChange(changed({ back: wanted ? { chocolate: flooded.chocolate, depth_mm: 1 } : null }))
        }
      />
      {back && (
        <Pair>
          <ChocolatePick
            {...pick}
            label="Backs from"
            value={back.chocolate}
            error={errors["flooded.back.chocolate"]}
            patch={(chocolate) => changed({ back: { ...back, chocolate } })}
            onChange={onChange}
          />
          <NumberField
            label="Depth of the back"
            unit="mm"
            value={back.depth_mm}
            error={errors["flooded.back.depth_mm"]}
            onChange={(depth_mm) => onChange(changed({ back: { ...back, depth_mm } }))}
          />
        </Pair>
      )}
    </>
  );
}
