import { useEffect, useState } from "react";

/** Whether the page is where it is looked at, and no longer on its way from the server: for what would hold others up there. */
export function useThere(): boolean {
  const [there, setThere] = useState(false);
  useEffect(() => setThere(true), []);
  return there;
}
