import { Component, type ReactNode } from "react";

/** What journeys break on purpose, by name: a class has to go on without any of it. */
declare global {
  var mapsetBreaks: readonly string[] | undefined;
}

type Props = {
  name: string;
  children: ReactNode;
  /** What stands in its place when it can’t be shown; nothing unless given. */
  instead?: ReactNode;
  /** It is tried again when this changes, as for the next drill. */
  again?: string | number | undefined;
};

/**
 * A part of what is followed that may be missing: where it can’t be shown, everything else goes on, and it is tried again with
 * the next drill.
 */
export class Part extends Component<Props, { failed: boolean; again: Props["again"] }> {
  override state = { failed: false, again: this.props.again };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  static getDerivedStateFromProps({ again }: Props, before: { again: Props["again"] }) {
    return again === before.again ? null : { failed: false, again };
  }

  override componentDidCatch(error: unknown) {
    console.error(`Mapset: ${this.props.name} can’t be shown`, error);
  }

  override render() {
    if (this.state.failed) return this.props.instead ?? null;
    return (
      <>
        <Breaks name={this.props.name} />
        {this.props.children}
      </>
    );
  }
}

function Breaks({ name }: { name: string }) {
  if (globalThis.mapsetBreaks?.includes(name)) throw new Error(`${name} was broken on purpose`);
  return null;
}

/** What throws where words are made, as it is told to whoever looks for it. */
export const toldInConsole = (error: unknown): void => console.error("Mapset: words can’t be shown", error);
