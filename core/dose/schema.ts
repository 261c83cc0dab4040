import { z } from "zod";
import { doseSchemas, type Dose } from "./kinds";

export const doseSchema: z.ZodType<Dose, Dose> = z
  .discriminatedUnion("kind", doseSchemas())
  .describe("How much, for one side and one direction");
