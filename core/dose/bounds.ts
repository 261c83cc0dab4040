import { z } from "zod";

/** No single time in a session may be longer than a day. */
export const LONGEST_SECONDS = 86_400;

/** The numbers a session is written in. Each is made when it is asked for: what only follows a session needs none of them. */
export const lengthSchema = () => z.number().min(0).max(LONGEST_SECONDS);
export const lengthAboveZeroSchema = () => z.number().gt(0).max(LONGEST_SECONDS);
export const countSchema = (most: number) => z.number().int().min(1).max(most);
export const effortSchema = () => z.number().min(1).max(100);
