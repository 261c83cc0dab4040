import { Link } from "react-router";
import { Button } from "./button";

/** A whole page for when something cannot be shown. */
export function TroublePage({
  title,
  text,
  home = true,
  again = false,
}: {
  title: string;
  text: string;
  home?: boolean;
  /** Offers to load the page anew. */ again?: boolean;
}) {
  return (
    <main className="mx-auto flex min-h-dvh max-w-lg flex-col justify-center gap-4 px-6">
      <h1 className="wide-type text-3xl font-semibold">{title}</h1>
      <p className="text-lg text-ink-soft">{text}</p>
      {again && (
        <p>
          <Button kind="primary" onClick={() => window.location.reload()}>
            Try again
          </Button>
        </p>
      )}
      {home && (
        <p>
          <Link to="/" className="underline underline-offset-4">
            Go to Today
          </Link>
        </p>
      )}
    </main>
  );
}
