import { Box, Button } from "@chakra-ui/react";
import type { ThingOf } from "../api/client";
import type { Errors } from "../kit/fieldsOf";
import { ListField } from "../kit/ListField";
import { dayOf } from "../kit/moments";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";

type Kitchen = ThingOf<"kitchen">;
type Weekly = NonNullable<Kitchen["hours"]>[number];
type Except = NonNullable<Kitchen["except"]>[number];

const names = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
const MOST = 14;
const usual: Weekly = { weekdays: [1, 2, 3, 4, 5, 6, 7], from: "08:00", to: "22:00" };

/** Days and hours as one says them: Mon to Fri 17:00 to 22:30. */
export function hoursWords(hours: Kitchen["hours"]): string {
  return (hours ?? [])
    .map((one) => `${daysWords(one.weekdays)} ${one.from} to ${one.to}`)
    .join("; ");
}

function daysWords(weekdays: number[]): string {
  const days = [...new Set(weekdays)].sort((a, b) => a - b);
  const [first = 1] = days;
  const last = days.at(-1) ?? first;
  const name = (day: number) => names[day - 1] ?? "";
  if (days.length === 7) return "every day";
  if (days.length > 2 && last - first + 1 === days.length) return `${name(first)} to ${name(last)}`;
  return days.map(name).join(", ");
}

interface Props {
  kitchen: Kitchen;
  errors: Errors;
  onChange: (patch: Pick<Kitchen, "hours" | "except">) => void;
}

/** When the maker is free: each week, and days that are otherwise. */
export function HoursFields({ kitchen, errors, onChange }: Props) {
  const hours = kitchen.hours ?? [];
  const except = kitchen.except ?? [];
  return (
    <Box display="grid" gap="3">
      <Box textStyle="label">When I am free</Box>
      <ListField
        items={hours}
        at="hours"
        errors={errors}
        most={MOST}
        nameOf={(one) => hoursWords([one])}
        whole="The hours"
        more={hours.length === 0 ? "Say when I am free" : "Add hours"}
        onMore={() => onChange({ hours: [...hours, usual], except })}
        onChange={(next) => onChange({ hours: next, except })}
      >
        {({ item, at, field, changed, away }) => (
          <Box display="grid" gap="2" borderWidth="1px" borderRadius="slab" p="2">
            <Box display="flex" gap="1" flexWrap="wrap" role="group" aria-label="Days">
              {names.map((name, i) => {
                const on = item.weekdays.includes(i + 1);
                const others = item.weekdays.filter((day) => day !== i + 1);
                return (
                  <Button
                    key={name}
                    size="sm"
                    px="2"
                    variant={on ? "solid" : "outline"}
                    bg={on ? "ink" : undefined}
                    color={on ? "onInk" : undefined}
                    aria-pressed={on}
                    onClick={() =>
                      onChange({
                        hours: changed({ weekdays: on ? others : [...others, i + 1].sort() }),
                        except,
                      })
                    }
                  >
                    {name}
                  </Button>
                );
              })}
            </Box>
            {errors[`${at}.weekdays`] && <Box color="stop">Days {errors[`${at}.weekdays`]}</Box>}
            <Box display="grid" gridTemplateColumns="1fr 1fr auto" gap="2" alignItems="end">
              <TextField label="From" kind="time" {...field("from")} />
              <TextField label="Until" kind="time" {...field("to")} />
              {away}
            </Box>
          </Box>
        )}
      </ListField>
      <ListField
        items={except}
        at="except"
        errors={errors}
        most={MOST * 4}
        nameOf={(one) => one.date}
        whole="Other hours"
        more="Add a day that is otherwise"
        onMore={() => onChange({ hours, except: [...except, { date: tomorrow(), hours: [] }] })}
        onChange={(next) => onChange({ hours, except: next })}
      >
        {({ item, at, field, changed, away }) => {
          const [span] = item.hours;
          const put = (patch: Partial<Except>) => onChange({ hours, except: changed(patch) });
          return (
            <Box display="grid" gap="2" borderWidth="1px" borderRadius="slab" p="2">
              <Box display="grid" gridTemplateColumns="1fr 1fr auto" gap="2" alignItems="end">
                <TextField label="Day" kind="day" {...field("date")} />
                <SelectField
                  label="I am"
                  value={span ? "free" : "away"}
                  choices={{ away: "not free", free: "free" }}
                  onChange={(is) =>
                    put({ hours: is === "free" ? [{ from: "08:00", to: "22:00" }] : [] })
                  }
                />
                {away}
              </Box>
              {span && (
                <Box display="grid" gridTemplateColumns="1fr 1fr" gap="2">
                  {(["from", "to"] as const).map((end) => (
                    <TextField
                      key={end}
                      label={end === "from" ? "From" : "Until"}
                      kind="time"
                      value={span[end]}
                      error={errors[`${at}.hours[0].${end}`]}
                      onChange={(text) => put({ hours: [{ ...span, [end]: text }] })}
                    />
                  ))}
                </Box>
              )}
            </Box>
          );
        }}
      </ListField>
    </Box>
  );
}

/** Tomorrow, by this device's clock. */
function tomorrow(): string {
  const date = new Date();
  date.setDate(date.getDate() + 1);
  return dayOf(date);
}
