import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import type { Cause, Clinic, ClinicQuestion, Facts, Symptom } from "../api/client";
import { inWords } from "../kit/message";
import { Failed, Loading } from "../kit/Standing";
import { Causes } from "./Causes";
import { Questions } from "./Questions";
import { useClinic } from "./useClinic";

interface Props {
  seen: Symptom[];
  /** What the record tells. */
  facts: Facts;
  /** What was told by it already. */
  told?: Clinic;
  deed?: (cause: Cause) => ReactNode;
  /** Whether there is no record: then all there is to go by is asked for first. */
  asksFirst?: boolean;
}

/** Why it came out so: the causes, and what to answer so that they can be told apart. */
export function Told({ seen, facts, told: first, deed, asksFirst }: Props) {
  const [answers, setAnswers] = useState<Facts>({});
  const [asked, setAsked] = useState<ClinicQuestion[]>([]);
  const more = stated(answers);
  const known = Object.keys(more).length === 0 ? first : undefined;
  const { clinic: told, error, faults } = useClinic(seen, { ...facts, ...more }, known);
  // What was told stands while an answer is refused.
  const [last, setLast] = useState(told);
  if (told && told !== last) setLast(told);
  const clinic = told ?? last;
  if (!clinic) {
    return error ? (
      <Failed what="causes" error={error} retry={() => setAnswers({})} />
    ) : (
      <Loading what="the causes" />
    );
  }
  // What was answered stands above what is asked next.
  const answered = asked.filter(({ fact }) => answers[fact] != null);
  const open = clinic.questions.filter(({ fact }) => answered.every((one) => one.fact !== fact));
  const questions = answered.length + open.length > 0 && (
    <Box>
      <Box textStyle="label" mb="2">
        To tell it better
      </Box>
      <Questions
        questions={[...answered, ...open]}
        answers={answers}
        faults={faults}
        onAnswer={(next) => {
          setAsked([...answered, ...open]);
          setAnswers(next);
        }}
      />
    </Box>
  );
  return (
    <Box display="grid" gap="4">
      {asksFirst && questions}
      {!asksFirst && clinic.cannot_be_told && (
        <Box bg="cool.wash" borderRadius="slab" p="3" fontWeight="560">
          {inWords(clinic.cannot_be_told)}
        </Box>
      )}
      <Causes causes={clinic.causes} deed={deed} />
      {!asksFirst && questions}
    </Box>
  );
}

/** Without what was answered and taken back. */
function stated(answers: Facts): Facts {
  return Object.fromEntries(Object.entries(answers).filter(([, value]) => value != null));
}
