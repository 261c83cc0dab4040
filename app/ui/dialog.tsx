import { AlertDialog as Alert, Dialog as Radix } from "radix-ui";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import { Button } from "./button";

const veil = "fixed inset-0 z-40 bg-[#0a1620]/55";
const sheet =
  "fixed top-1/2 left-1/2 z-50 flex max-h-[90dvh] w-[min(34rem,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 overflow-y-auto rounded-lg border border-line bg-land p-5 text-ink shadow-2xl";

export function Dialog({
  open,
  onOpenChange,
  title,
  description,
  children,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  description?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className={veil} />
        <Radix.Content className={sheet} {...(!description && { "aria-describedby": undefined })}>
          <div className="flex items-start justify-between gap-4">
            <Radix.Title className="wide-type text-xl font-semibold">{title}</Radix.Title>
            <Radix.Close className="rounded p-1 text-ink-soft hover:bg-land-deep" aria-label="Close">
              <X size={18} aria-hidden />
            </Radix.Close>
          </div>
          {description && <Radix.Description className="text-ink-soft">{description}</Radix.Description>}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** Asks before something is lost. */
export function Confirm({
  open,
  onOpenChange,
  title,
  text,
  action,
  keep = "Cancel",
  onConfirm,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  text: ReactNode;
  action: string;
  /** What the way back is called. */
  keep?: string;
  onConfirm: () => void;
}) {
  return (
    <Alert.Root open={open} onOpenChange={onOpenChange}>
      <Alert.Portal>
        <Alert.Overlay className={veil} />
        <Alert.Content className={sheet}>
          <Alert.Title className="wide-type text-xl font-semibold">{title}</Alert.Title>
          <Alert.Description className="text-ink-soft">{text}</Alert.Description>
          <div className="flex justify-end gap-2">
            <Alert.Cancel asChild>
              <Button>{keep}</Button>
            </Alert.Cancel>
            <Alert.Action asChild>
              <Button kind="danger" onClick={onConfirm}>
                {action}
              </Button>
            </Alert.Action>
          </div>
        </Alert.Content>
      </Alert.Portal>
    </Alert.Root>
  );
}
