import { toast } from 'sonner';
import { problemWords } from '../api/api';

/** Says why the server refused, where it has; whether it has. */
export function toldRefused({ error }: { error?: unknown }): boolean {
  if (error) toast.error(problemWords(error));
  return Boolean(error);
}
