import type { RackTag } from '@rusty-wren/contract';
import type { Task } from '@rusty-wren/core/schedule';

/** What the pieces of a plan are of, and its zero (ms). */
export interface Known {
  tags: ReadonlyMap<string, RackTag>;
  tasks: ReadonlyMap<string, Task>;
  zero: number;
}
