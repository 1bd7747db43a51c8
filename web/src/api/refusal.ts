import { inWords } from "../kit/message";
import type { Clash, FieldAtFault, Problem } from "./client";

/** The server's refusal, as something to throw and to show. */
export class Refusal extends Error {
  readonly status: number;
  /** What is wrong with each field, in words. */
  readonly fields: Record<string, string>;
  /** The fields that were changed elsewhere too, each to something else. */
  readonly clashes: Clash[];

  constructor(problem: Problem) {
    super(detail(problem));
    this.status = problem.status;
    this.clashes = problem.clashes ?? [];
    this.fields = Object.fromEntries(problem.fields.map((f) => [f.field, wrong(f)]));
  }

  /** It may go well next time: not let in for the moment, too slow, too often, or the server's fault. */
  get passes(): boolean {
    return [401, 408, 429].includes(this.status) || this.status >= 500;
  }

  /** Why, in a line: what is wrong with the first field, where it is a field's fault. */
  get why(): string {
    return Object.values(this.fields)[0] ?? this.message;
  }
}

/** What is wrong with a field and what would be right, as temperatures and masses are shown. */
export function wrong({ message, ...words }: FieldAtFault): string {
  return inWords({ ...words, text: message });
}

function detail({ detail, fields }: Problem): string {
  const [only, ...more] = fields;
  return only && more.length === 0 ? `${only.field} ${wrong(only)}` : detail;
}

function isProblem(value: unknown): value is Problem {
  return typeof value === "object" && value !== null && "detail" in value && "fields" in value;
}

/**
 * The client's types take a pair for a list of any length. This is a type as
 * the client sees it, so that what is stated is still checked.
 */
type Loose<T> = T extends readonly (infer E)[]
  ? Loose<E>[]
  : T extends object
    ? { [K in keyof T]: Loose<T[K]> }
    : T;

/** The data of an answer, of the type stated; throws the refusal where there is none. */
export function accepted<T>(answer: { data?: Loose<T>; error?: unknown; response: Response }): T {
  if (answer.data !== undefined) return answer.data as T;
  if (isProblem(answer.error)) throw new Refusal(answer.error);
  throw new Refusal({
    type: "about:blank",
    title: "No answer",
    status: answer.response.status,
    detail: `The server answered ${answer.response.status}.`,
    fields: [],
  });
}

/** Throws the refusal of an answer that holds nothing where it is well. */
export function done(answer: { error?: unknown; response: Response }): void {
  if (!answer.response.ok) accepted<never>({ error: answer.error, response: answer.response });
}

/** The same for an answer that was fetched without the client: of a file that was sent. */
export async function answered<T>(response: Response): Promise<T> {
  const body: unknown = await response.json().catch(() => undefined);
  const part = response.ok ? { data: body as Loose<T> } : { error: body };
  return accepted<T>({ ...part, response });
}
