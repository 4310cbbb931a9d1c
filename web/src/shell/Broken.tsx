import { Component, type ReactNode } from 'react';
import { Judgement } from '../ui/Judgement.tsx';
import { isNotHere } from '../ui/late.ts';

interface Props {
  /** What is drawn inside: once it is another, what broke is left behind. */
  readonly of: unknown;
  /** Nothing stands in for it: it is no screen. */
  readonly quiet?: boolean;
  readonly children: ReactNode;
}
interface State {
  readonly error: unknown;
  readonly of: unknown;
}

/** Stands in for a screen that failed to draw or has not come. What was typed and tapped is kept apart from it. */
export class Broken extends Component<Props, State> {
  override state: State = { error: null, of: this.props.of };

  static getDerivedStateFromError(error: unknown): Partial<State> {
    return { error };
  }
  static getDerivedStateFromProps({ of }: Props, state: State): State | null {
    return of === state.of ? null : { error: null, of };
  }
  override componentDidCatch(error: unknown): void {
    if (isNotHere(error)) void error.again().then(() => this.state.error === error && this.drawAnew());
  }
  private readonly drawAnew = (): void => this.setState({ error: null });
  override render(): ReactNode {
    const { error } = this.state;
    if (error === null) return this.props.children;
    if (this.props.quiet) return null;
    const notHere = isNotHere(error);
    return (
      <div className="flex flex-col items-start gap-4 py-6">
        <Judgement rests="What you typed and tapped is kept on this device and is still being sent.">
          {notHere ? 'This page has not reached this device yet. It comes with the next signal.' : 'This screen broke.'}
        </Judgement>
        <button
          type="button"
          className="min-h-14 bg-ink px-6 text-[18px] font-semibold text-paper"
          onClick={notHere ? this.drawAnew : () => location.reload()}
        >
          {notHere ? 'Ask again' : 'Open it again'}
        </button>
        <p className="text-[13px] text-ink-2">{error instanceof Error ? error.message : 'No reason was given.'}</p>
      </div>
    );
  }
}
