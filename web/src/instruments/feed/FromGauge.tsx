import type { FeedLine, StandIn } from '@rusty-wren/contract';
import { Radio } from 'lucide-react';
import { useEffect, useState, type ReactElement } from 'react';
import { problemWords, useStartStandInMutation } from '../../api/api';
import { Button } from '../../ui/Button';
import { useFeed } from './useFeed';

/**
 * Readings taken straight from an instrument on the feed, or from a stand-in started here. `onReadings` is given all of
 * the chosen channel's lines, every time there are more.
 */
export function FromGauge({
  units,
  standIns,
  onReadings,
}: {
  /** Only instruments that read in one of these are offered. */
  units: readonly FeedLine['unit'][];
  /** Stand-ins worth starting here, by what they show. */
  standIns: readonly { label: string; standIn: StandIn }[];
  onReadings: (lines: readonly FeedLine[]) => void;
}): ReactElement {
  const [on, setOn] = useState(false);
  const [channel, setChannel] = useState<string | null>(null);
  const [start, { error, isLoading }] = useStartStandInMutation();
  const { heard, listening } = useFeed(on);
  const lines = channel === null ? undefined : heard.get(channel);
  useEffect(() => {
    if (lines) onReadings(lines);
    // Only more lines are news.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [lines]);
  const begin = async (standIn: StandIn): Promise<void> => {
    const answer = await start(standIn);
    if ('data' in answer && answer.data) setChannel(answer.data.channel);
  };

  if (!on)
    return (
      <Button look="quiet" className="!px-0" onClick={() => setOn(true)}>
        <Radio size={18} aria-hidden /> From an instrument
      </Button>
    );
  const channels = [...heard].filter(([, said]) => units.includes(said[0]?.unit ?? 'rpm'));
  return (
    <div className="mt-2 border-l-4 border-steel pl-3">
      {channel !== null ? (
        <p className="text-lg" role="status">
          <strong>{channel}</strong>
          {lines?.[0]?.simulated && <span className="font-semibold text-ochre"> simulated</span>},{' '}
          {lines ? `${lines.length} readings` : 'waiting'}
        </p>
      ) : (
        <>
          <p className="text-lg">
            {!listening
              ? 'Beginning to listen…'
              : channels.length === 0
                ? 'Listening. No instrument speaks yet.'
                : 'Speaking now:'}
          </p>
          <div className="flex flex-wrap gap-2">
            {channels.map(([name, said]) => (
              <Button key={name} onClick={() => setChannel(name)}>
                {name} <span className="font-normal">{said.at(-1)?.value}</span>
              </Button>
            ))}
          </div>
          <p className="mt-2 text-lg text-soft">Or a stand-in that shows</p>
          <div className="flex flex-wrap gap-2">
            {standIns.map(({ label, standIn }) => (
              <Button key={label} disabled={isLoading || !listening} onClick={() => void begin(standIn)}>
                {label}
              </Button>
            ))}
          </div>
        </>
      )}
      {error && (
        <p role="alert" className="font-semibold text-rust">
          {problemWords(error)}
        </p>
      )}
      <Button
        look="quiet"
        className="!px-0"
        onClick={() => {
          setChannel(null);
          setOn(false);
        }}
      >
        Stop listening
      </Button>
    </div>
  );
}
