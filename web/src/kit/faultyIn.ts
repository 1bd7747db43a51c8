import type { Errors } from "./fieldsOf";

/** Whether anything must be mended in one of some parts of a form, by how their fields begin. */
export function faultyIn(errors: Errors, ...parts: string[]): boolean {
  return Object.keys(errors).some((field) => parts.some((part) => field.startsWith(part)));
}

/** What is wrong with one of a part's fields, the first of them. */
export function firstFaultIn(errors: Errors, part: string): string | undefined {
  return Object.entries(errors).find(([field]) => field.startsWith(part))?.[1];
}
