import { clsx, type ClassValue } from "clsx";
import { twMerge } from "tailwind-merge";

/** Joins class names, leaving out what is off. Of two that set the same, the later one is kept. */
export const cx = (...names: ClassValue[]): string => twMerge(clsx(names));
