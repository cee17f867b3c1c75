import { CHECKS, checkOf, SCHOOLS, type CheckId } from '@rusty-wren/core/knowledge';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical, X } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { problemWords, useSetOwnOrderMutation } from '../../api/api';
import { LeadSets } from '../../hands/LeadSets';
import { Button } from '../../ui/Button';

/** Where a new order begins: the first checks most benches make. */
const START = (SCHOOLS[0]?.order ?? []).slice(0, 8);

/** The shop's own order of first checks, dragged into place; what it leaves out comes after it. */
export function OwnOrder({ own, onDone }: { own: readonly CheckId[]; onDone: () => void }): ReactElement {
  const [order, setOrder] = useState<CheckId[]>(own.length > 0 ? [...own] : [...START]);
  const [save, { isLoading, error }] = useSetOwnOrderMutation();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    setOrder((o) => arrayMove(o, o.indexOf(active.id as CheckId), o.indexOf(over.id as CheckId)));
  };
  /** "Feel the pull: place 2 of 9", for who hears the page instead of seeing it. */
  const place = (id: unknown, over: { id: unknown } | null): string =>
    `${checkOf(id as CheckId).name}: place ${order.indexOf((over?.id ?? id) as CheckId) + 1} of ${order.length}`;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Taken up. ${place(active.id, null)}.`,
    onDragOver: ({ active, over }) => `${place(active.id, over)}.`,
    onDragEnd: ({ active, over }) => `Put down. ${place(active.id, over)}.`,
    onDragCancel: ({ active }) => `Left where it was. ${place(active.id, null)}.`,
  };
  const rest = CHECKS.filter((c) => !order.includes(c.id));
  return (
    <LeadSets>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={dropped}
        accessibility={{ announcements }}
      >
        <SortableContext items={order} strategy={verticalListSortingStrategy}>
          <ol aria-label="Our order">
            {order.map((id, i) => (
              <Row
                key={id}
                id={id}
                at={i + 1}
                onRemove={() => setOrder((o) => o.filter((other) => other !== id))}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      {order.length === 0 && <p className="text-lg text-soft">No check in it yet.</p>}
      <label className="mt-3 flex flex-wrap items-center gap-3">
        <span className="font-semibold">Add</span>
        <select
          value=""
          onChange={(e) => setOrder((o) => [...o, e.target.value as CheckId])}
          className="min-h-11 min-w-0 flex-1 rounded-md border-2 border-line bg-card px-2"
        >
          <option value="" disabled>
            a check at the end
          </option>
          {rest.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
        </select>
      </label>
      {error && (
        <p role="alert" className="mt-3 font-semibold text-rust">
          {problemWords(error)} The order is still here; keep it again.
        </p>
      )}
      <div className="mt-4 flex gap-3">
        <Button
          look="rust"
          disabled={isLoading}
          onClick={() => void save({ checks: order }).then(({ error: failed }) => !failed && onDone())}
        >
          Keep this order
        </Button>
        <Button look="quiet" onClick={onDone}>
          Back
        </Button>
      </div>
    </LeadSets>
  );
}

function Row({ id, at, onRemove }: { id: CheckId; at: number; onRemove: () => void }): ReactElement {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const { name } = checkOf(id);
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={`flex items-center gap-1 border-b border-line text-lg ${isDragging ? 'relative z-10 bg-card shadow-lg' : ''}`}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move: ${name}`}
        className="flex min-h-11 flex-1 cursor-grab touch-none items-center gap-3 text-left"
      >
        <GripVertical size={20} className="shrink-0 text-soft" aria-hidden />
        <span className="w-7 shrink-0 text-soft">{at}</span>
        <span className="font-semibold">{name}</span>
      </button>
      <button
        type="button"
        onClick={onRemove}
        aria-label={`Leave out: ${name}`}
        className="grid size-11 place-items-center rounded-md hover:bg-line"
      >
        <X size={19} aria-hidden />
      </button>
    </li>
  );
}
