import { useEffect, useRef } from "react";

/** A form that is emptied once what it asked is done. */
export function useEmptyWhenDone(fetcher: { state: string; data?: unknown }) {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (fetcher.state === "idle" && fetcher.data && typeof fetcher.data === "object" && "done" in fetcher.data)
      form.current?.reset();
  }, [fetcher.state, fetcher.data]);
  return form;
}

/** What an answer says was wrong. */
export function faultOf(answer: unknown): string | undefined {
  return answer && typeof answer === "object" && "fault" in answer ? String(answer.fault) : undefined;
}
