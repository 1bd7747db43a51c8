import { expect, test } from "vitest";
import type { Guide } from "../src/api/client";
import { besideTheBench, following } from "../src/guide/following";

const said = (text: string) => ({ code: text, text });

/** A guide whose line of steps stands at the pour. */
const guide = {
  now: { step: "pour", text: said("Pour the dark") },
  progress: [
    {
      next: "pour",
      steps: ["line", "pour", "spread", "tap"].map((key) => ({ key, text: said(key) })),
    },
  ],
} as unknown as Guide;

test("the guide goes on after what it says now; at the bench that is still to come", () => {
  const words = ({ next, later }: ReturnType<typeof following>) =>
    [next, ...later].map((one) => one?.text);
  expect(words(following(guide))).toEqual(["spread", "tap"]);
  expect(words(besideTheBench(guide))).toEqual(["Pour the dark", "spread", "tap"]);
});
