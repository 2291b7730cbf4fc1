'use client';
import { Component, type ReactNode, Suspense } from 'react';
import { HeldKeys } from './HeldKeys';

/** Where the script cannot be fetched, the page stays, with all that was entered on it. */
class Unfetched extends Component<{ children: ReactNode; meanwhile?: ReactNode }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <>
        {this.props.meanwhile}
        <p
          role="alert"
          className="fixed inset-x-0 bottom-0 z-50 border-t border-differs bg-sheet px-5 py-3 text-differs"
        >
          This part of the page could not be fetched: the desk’s server cannot be reached. What you entered is still
          here; load the page again once all is saved.
        </p>
      </>
    );
  }
}

/** Around a lazy part of the screen: its script is fetched when it is first shown, and `meanwhile` stands there. */
export function Later({ meanwhile, children }: { meanwhile?: ReactNode; children: ReactNode }) {
  return (
    <Unfetched meanwhile={meanwhile}>
      <Suspense
        fallback={
          <>
            {meanwhile}
            <HeldKeys />
          </>
        }
      >
        {children}
      </Suspense>
    </Unfetched>
  );
}
