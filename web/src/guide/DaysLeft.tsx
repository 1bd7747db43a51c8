import { useDaysLeft } from "../api/queries";
import { Fold } from "../kit/Fold";
import { day } from "../kit/format";
import { InDays } from "../plan/days/Days";

const AN_EVENING_MS = 4 * 3_600_000;

interface Props {
  batchId: string;
  /** What was done last: the days follow it. */
  last: string | null | undefined;
  /** Whether nothing is left to do. */
  over: boolean;
}

/** The days of what is left, from what has happened; where that goes beyond an evening. */
export function DaysLeft({ batchId, last, over }: Props) {
  const days = useDaysLeft(batchId, last).data;
  if (over || !days?.end) return null;
  // What is done in one evening is told by the steps.
  if (days.late_min <= 0 && Date.parse(days.end) - Date.now() < AN_EVENING_MS) return null;
  const many = days.slots.length;
  const value = `${many} ${many === 1 ? "sitting" : "sittings"}, done ${day(days.end)}`;
  return (
    <Fold title="Schedule from here" value={value} faulty={days.late_min > 0}>
      <InDays days={days} />
    </Fold>
  );
}
