import type { Errors } from "./fieldsOf";

/** Whether anything must be mended in one of some parts of a form, by how their fields begin. */
export function faultyIn(errors: Errors, ...parts: string[]): boolean {
  return Object.keys(errors).some((field) => parts.some((part) => field.startsWith(part)));
}
