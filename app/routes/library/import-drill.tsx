import { Upload } from "lucide-react";
import { useRef } from "react";
import { Form, useSubmit } from "react-router";
import { Button } from "~/app/ui/button";
import type { Fault } from "~/core/faults";

/** Takes a drill file; a file with faults keeps nothing and says each with its path. */
export function ImportDrill({ outcome }: { outcome: { file: string; faults: Fault[] } | undefined }) {
  const submit = useSubmit();
  const input = useRef<HTMLInputElement>(null);
  return (
    <Form method="post" encType="multipart/form-data" className="relative">
      <input
        ref={input} type="file" name="file" accept=".json,application/json" aria-label="Drill file to import" className="sr-only" tabIndex={-1}
        onChange={(event) => {
          if (event.currentTarget.files?.length) void submit(event.currentTarget.form, { encType: "multipart/form-data" });
          event.currentTarget.value = "";
        }}
      />
      <Button onClick={() => input.current?.click()}>
        <Upload size={16} aria-hidden /> Import a drill
      </Button>
      {outcome && (
        <div role="alert" className="absolute right-0 z-20 mt-2 w-[min(34rem,90vw)] rounded-lg border-2 border-plum bg-land p-3 text-sm shadow-xl">
          <p className="font-semibold text-plum">{outcome.file || "The file"} was not kept: it has {outcome.faults.length === 1 ? "a fault" : `${outcome.faults.length} faults`}.</p>
          <ul className="mt-1 max-h-60 overflow-y-auto">
            {outcome.faults.slice(0, 40).map((fault) => (
              <li key={`${fault.path} ${fault.message}`}>
                <code>{fault.path}</code>: {fault.message}
              </li>
            ))}
          </ul>
        </div>
      )}
    </Form>
  );
}
