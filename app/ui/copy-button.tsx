import { Check, Copy } from "lucide-react";
import { useState } from "react";
import { Button } from "./button";

/** Copies a text, and says that it did. */
export function CopyButton({ text, words }: { text: string; words: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <Button onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}>
      {copied ? <Check size={16} aria-hidden /> : <Copy size={16} aria-hidden />} {copied ? "Copied" : words}
    </Button>
  );
}
