// A thread does not take over how its process reads TypeScript.
import { register } from 'tsx/esm/api';

register();
await import(new URL('./thinking.ts', import.meta.url).href);
