import type { Way } from '@rusty-wren/core/diagnosis';
import { SCHOOLS, type CheckId } from '@rusty-wren/core/knowledge';
import { useMemo } from 'react';
import { useOwnOrderQuery } from '../../api/api';
import type { WayId } from '../../app/settings';
import { useAppSelector } from '../../app/store';

interface NamedWay {
  id: WayId;
  name: string;
  way: Way;
}

/** Every way of working there is, the computed plan first; the shop's own once somebody has made one. */
export function useWays(): { ways: readonly NamedWay[]; own: readonly CheckId[]; chosen: NamedWay } {
  const id = useAppSelector((s) => s.settings.way);
  const { data } = useOwnOrderQuery();
  const own = data?.checks;
  const ways = useMemo(
    (): NamedWay[] => [
      { id: 'computed', name: 'The plan', way: 'computed' },
      ...SCHOOLS.map((s) => ({ id: s.id, name: s.name, way: s.order })),
      ...(own && own.length > 0 ? [{ id: 'own' as const, name: 'Our own order', way: own }] : []),
    ],
    [own],
  );
  return { ways, own: own ?? [], chosen: ways.find((w) => w.id === id) ?? ways[0]! };
}
