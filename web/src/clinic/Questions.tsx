import { Box } from "@chakra-ui/react";
import type { ClinicQuestion, Facts } from "../api/client";
import { inWords } from "../kit/message";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";

interface Props {
  questions: ClinicQuestion[];
  answers: Facts;
  faults: Record<string, string>;
  onAnswer: (answers: Facts) => void;
}

const units = {
  celsius: "°C",
  seconds: "s",
  minutes: "min",
  hours: "h",
  days: "days",
  percent: "%",
  millimetres: "mm",
  count: "",
} as const;

const tested = {
  "": "not known",
  passed: "it passed",
  failed: "it did not pass",
  skipped: "there was none",
} as const;

const yesNo = { "": "not known", yes: "yes", no: "no" } as const;

/** The two or three questions that tell most; what was answered stays, so that it can be changed. */
export function Questions({ questions, answers, faults, onAnswer }: Props) {
  if (questions.length === 0) return null;
  return (
    <Box display="grid" gap="3" data-testid="questions">
      {questions.map((question) => (
        <One
          key={question.fact}
          question={question}
          answers={answers}
          fault={faults[`facts.${question.fact}`]}
          onAnswer={onAnswer}
        />
      ))}
    </Box>
  );
}

interface OneProps extends Omit<Props, "questions" | "faults"> {
  question: ClinicQuestion;
  fault: string | undefined;
}

function One({ question: { fact, text, asks }, answers, fault, onAnswer }: OneProps) {
  const label = inWords(text);
  const known = answers[fact];
  const set = (value: Facts[typeof fact]) => onAnswer({ ...answers, [fact]: value });
  if (asks === "tested") {
    return (
      <SelectField
        label={label}
        value={(known as keyof typeof tested) ?? ""}
        choices={tested}
        error={fault}
        onChange={(chosen) => set(chosen === "" ? null : chosen)}
      />
    );
  }
  if (asks === "yes_no") {
    return (
      <SelectField
        label={label}
        value={known == null ? "" : known ? "yes" : "no"}
        choices={yesNo}
        error={fault}
        onChange={(chosen) => set(chosen === "" ? null : chosen === "yes")}
      />
    );
  }
  return (
    <UnitField
      label={label}
      unit={units[asks]}
      optional="not known"
      value={typeof known === "number" ? known : null}
      error={fault}
      onChange={set}
    />
  );
}
