import type { ReactElement } from 'react';
import { Blank } from '../ui/State';
import { Button } from '../ui/Button';

/** A place of the interface that could not be fetched: the server is away, or another version of it is there by now. */
export const NoPlace = (): ReactElement => (
  <Blank title="This page could not be fetched">
    <Button onClick={() => location.reload()}>Try again</Button>
  </Blank>
);
