// A thread does not take over how its process reads TypeScript.
import { register } from 'tsx/esm/api';

register();
const { printed } = await import(new URL('./printing.ts', import.meta.url).href);
export default printed;
