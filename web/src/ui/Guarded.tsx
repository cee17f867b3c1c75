import type { ReactElement, ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Button } from './Button';

/** A place on the screen whose fault stays its own: the rest goes on, and it can be tried again. */
export const Guarded = ({ what, children }: { what: string; children: ReactNode }): ReactElement => (
  <ErrorBoundary
    onError={(error) => console.error(error)}
    fallbackRender={({ resetErrorBoundary }) => (
      <div role="alert" className="my-4 border-l-8 border-rust py-1 pl-4">
        <p className="text-xl font-semibold">{what} cannot be shown. What was noted is safe.</p>
        <div className="mt-2 flex gap-2">
          <Button onClick={resetErrorBoundary}>Show it again</Button>
          <Button look="quiet" onClick={() => location.reload()}>
            Load the page anew
          </Button>
        </div>
      </div>
    )}
  >
    {children}
  </ErrorBoundary>
);
