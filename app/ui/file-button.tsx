import { Upload } from "lucide-react";
import { useRef } from "react";
import { Button } from "./button";

/** A button that asks for a file. The browser's own field stays out of sight and out of what is read aloud: there is one thing to press. */
export function FileButton({
  words,
  busyWords,
  busy,
  onFile,
  accept = ".json,application/json",
}: {
  words: string;
  busyWords: string;
  busy: boolean;
  accept?: string;
  onFile: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
      <Button onClick={() => input.current?.click()} disabled={busy}>
        <Upload size={16} aria-hidden /> {busy ? busyWords : words}
      </Button>
    </>
  );
}

/** A file as a form that is sent. */
export function fileForm(file: File, fields: Record<string, string> = {}): FormData {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  form.set("file", file);
  return form;
}
