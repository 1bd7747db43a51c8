import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export const api = createClient<paths>();

type Schemas = components["schemas"];
export type Family = Schemas["Family"];
export type BarkInputs = Schemas["BarkInputs"];
export type TrayInputs = Schemas["TrayInputs"];
export type Method = Schemas["Method"];
export type MethodAnswer = Schemas["MethodAnswer"];
export type PlanAnswer = Schemas["PlanAnswer"];
export type WindowsAnswer = Schemas["WindowsAnswer"];
export type BowlAnswer = Schemas["BowlAnswer"];
export type BowlWithPlan = Schemas["BowlWithPlan"];
export type BatchLine = Schemas["BatchLineAnswer"];
export type Batch = Schemas["BatchAnswer"];
export type Component = Schemas["ComponentAnswer"];
export type Reading = Schemas["ReadingAnswer"];
export type Outcome = Schemas["OutcomeAnswer"];
export type NewOutcome = Schemas["NewOutcome"];
export type NewAction = Schemas["NewAction"];
export type ActionAnswer = Schemas["ActionAnswer"];
export type Countdown = Schemas["CountdownAnswer"];
export type Note = Schemas["Note"];
export type Step = Schemas["Step"];
export type Seen = Schemas["Seen"];
export type Alarm = Schemas["Alarm"];
export type Problem = Schemas["Problem"];
