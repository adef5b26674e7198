import { Button } from 'antd';
import { Component, type ReactNode } from 'react';
import { exportLayout } from '../storage/files';
import { reloadSafely } from '../storage/session';
import { isMissingPart } from './watch-program';
import { useLayoutStore } from '../store/layout-store';

interface State {
  readonly failure: Error | null;
}

/** Catches what a screen could not handle; the work can still be saved to a file. */
export class ErrorBoundary extends Component<{ readonly children: ReactNode }, State> {
  override state: State = { failure: null };

  static getDerivedStateFromError(failure: Error): State {
    return { failure };
  }

  override render(): ReactNode {
    const { failure } = this.state;
    if (!failure) return this.props.children;
    const missing = isMissingPart(failure);
    const { layout } = useLayoutStore.getState();
    return (
      <main className="message-page" role="alert">
        <h1>{missing ? 'A part of Hazel Spark could not be fetched' : 'Something here went wrong'}</h1>
        <p>Your layout is kept in this browser. To be on the safe side, export it before you go on.</p>
        <pre>{failure.message}</pre>
        <div style={{ display: 'flex', gap: 10 }}>
          {layout && (
            <Button type="primary" onClick={() => exportLayout(layout)}>
              Export the work
            </Button>
          )}
          <Button
            type="primary"
            onClick={() => (missing ? void reloadSafely() : this.setState({ failure: null }))}
          >
            {missing ? 'Save and reload' : 'Try again'}
          </Button>
        </div>
      </main>
    );
  }
}
