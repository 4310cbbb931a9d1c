import { Component, type ReactNode } from 'react';
import { Judgement } from '../ui/Judgement.tsx';

interface Props {
  /** Another address is another screen: what broke is left behind. */
  readonly address: string;
  readonly children: ReactNode;
}

/** Stands in for a screen that failed to draw or to load. What was typed and tapped is kept apart from it. */
export class Broken extends Component<Props, { readonly error: unknown; readonly at: string }> {
  override state = { error: null as unknown, at: this.props.address };

  static getDerivedStateFromError(error: unknown): { error: unknown } {
    return { error };
  }
  static getDerivedStateFromProps({ address }: Props, { at }: { at: string }): { error: unknown; at: string } | null {
    return address === at ? null : { error: null, at: address };
  }
  override render(): ReactNode {
    const { error } = this.state;
    if (error === null) return this.props.children;
    return (
      <div className="flex flex-col items-start gap-4 p-6">
        <Judgement rests="What you typed and tapped is kept on this device and is still being sent.">
          This screen broke.
        </Judgement>
        <button
          type="button"
          className="min-h-14 bg-ink px-6 text-[18px] font-semibold text-paper"
          onClick={() => location.reload()}
        >
          Open it again
        </button>
        <p className="text-[13px] text-ink-2">{error instanceof Error ? error.message : 'No reason was given.'}</p>
      </div>
    );
  }
}
