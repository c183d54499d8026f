'use client';
import { Component, type ErrorInfo, type ReactNode } from 'react';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';

/** Round each sheet: one that can’t be drawn says so, and the line, the ledger and the tape go on. */
export class Fence extends Component<{ children: ReactNode }, { readonly error: Error | null }> {
  override state = { error: null as Error | null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override componentDidCatch(_: Error, __: ErrorInfo) {
    // Said on the sheet; nothing leaves this machine.
  }

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    const again = () => this.setState({ error: null });
    return (
      <Panel title="This sheet could not be drawn">
        <p role="alert">
          The build itself is as it was, and the other stations work. What stopped it:{' '}
          <span className="text-fails">{error.message || error.name}</span>.
        </p>
        <p className="mt-1 text-soft">
          Undo the last step, or look again. If it comes back, export the build and report it.
        </p>
        <div className="mt-3 flex gap-2">
          <Action
            onPress={() => {
              useBench.getState().stepBack();
              again();
            }}
          >
            Undo the last step
          </Action>
          <Action onPress={again}>Look again</Action>
        </div>
      </Panel>
    );
  }
}
