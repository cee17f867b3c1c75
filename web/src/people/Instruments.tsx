import { useState, type ReactElement } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import { problemWords } from '../api/api';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { useInstrumentsQuery, useLetInMutation, useWithdrawMutation } from './peopleApi';

/** Instruments that feed readings, each by a token that is shown once. */
export function Instruments(): ReactElement {
  const { data: instruments = [] } = useInstrumentsQuery();
  const [letIn] = useLetInMutation();
  const [withdraw] = useWithdrawMutation();
  const [token, setToken] = useState<string | null>(null);
  return (
    <section aria-label="Instruments">
      <h2 className="text-2xl font-bold">Instruments</h2>
      {instruments.length > 0 && (
        <ul className="mt-3 divide-y divide-line border-y border-line">
          {instruments.map(({ id, name }) => (
            <li key={id} className="flex items-center gap-3 py-2">
              <span className="flex-1 text-lg font-semibold">{name}</span>
              <Button onClick={() => void withdraw(id)}>Let in no more</Button>
            </li>
          ))}
        </ul>
      )}
      <OneLine
        label="Name of the instrument"
        placeholder="Tachometer at the left bench"
        most={80}
        done="Let it in"
        look="plain"
        onDone={(name) =>
          void letIn({ id: uuid(), name }).then(({ data, error }) => {
            if (error) toast.error(problemWords(error));
            else setToken(data.token);
          })
        }
      />
      {token && (
        <p className="mt-3">
          Its token, shown this once; it sends it with every reading as <code>Authorization: Bearer</code>.
          <code className="mt-1 block overflow-x-auto rounded-md bg-card p-3 text-lg select-all">
            {token}
          </code>
        </p>
      )}
    </section>
  );
}
