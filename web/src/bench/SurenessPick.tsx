import { SURENESS, type Sureness } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import { OneOf } from '../ui/OneOf';

export const SURENESS_WORDS: Readonly<Record<Sureness, string>> = {
  sure: 'Sure',
  fair: 'Fairly sure',
  doubtful: 'Doubtful',
};

const OPTIONS = SURENESS.map((id) => ({ id, label: SURENESS_WORDS[id] }));

/** How sure the technician is of what they are about to record. */
export const SurenessPick = ({
  value,
  onChange,
}: {
  value: Sureness;
  onChange: (value: Sureness) => void;
}): ReactElement => <OneOf label="How sure" options={OPTIONS} value={value} onChange={onChange} />;
