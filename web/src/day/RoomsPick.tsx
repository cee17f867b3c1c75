import type { DayRooms } from '@rusty-wren/contract';
import type { ReactElement } from 'react';
import { useSetRoomsMutation } from '../api/api';
import { toldRefused } from '../ui/refused';

const WORDS = ['none', 'one', 'two', 'three', 'four'] as const;
const PLACES = [
  { place: 'bath', says: 'Machines in the bath at once', from: 0 },
  { place: 'outdoors', says: 'Spots to run them outdoors', from: 1 },
] as const;

/** How many machines find room in the bath and outdoors: for everybody. */
export function RoomsPick({ rooms }: { rooms: DayRooms }): ReactElement {
  const [send] = useSetRoomsMutation();
  return (
    <div className="mt-6 grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-2">
      {PLACES.map(({ place, says, from }) => (
        <label key={place} className="contents">
          <span className="text-lg font-semibold">{says}</span>
          <select
            value={rooms[place]}
            onChange={(e) =>
              void send({ ...rooms, [place]: Number(e.target.value) }).then((answer) => toldRefused(answer))
            }
            className="min-h-11 rounded-md border-2 border-line bg-card px-2 text-lg"
          >
            {WORDS.map((word, n) =>
              n < from ? null : (
                <option key={word} value={n}>
                  {word}
                </option>
              ),
            )}
          </select>
        </label>
      ))}
    </div>
  );
}
