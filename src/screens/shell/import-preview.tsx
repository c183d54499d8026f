'use client';
import type { Edit, Problem } from '@/core/build';
import type { Change } from '@/core/formats';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Problems } from '@/ui/problems';
import { DataTable } from './data-table';

export interface Preview {
  readonly file: string;
  readonly errors?: readonly Problem[];
  readonly fresh?: readonly string[];
  readonly changes?: readonly Change[];
  readonly edit?: Edit | null;
}

/** A name may be long: what it becomes has to be seen all the same. */
const WRAPS = 'whitespace-normal [overflow-wrap:anywhere]';

/** What a file would change, before anything is changed; one press takes it, one press undoes it. */
export function ImportPreviewPanel({ preview, onDone }: { preview: Preview; onDone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { file, errors, fresh = [], changes = [], edit = null } = preview;
  if (errors) return <Problems title={`${file} was not taken. Nothing was changed.`} problems={errors} />;
  if (!edit)
    return (
      <p role="status" className="border-l-[3px] border-ink bg-panel p-3">
        {file} says the same as the build: nothing to take.
      </p>
    );
  return (
    <section aria-label="Preview of the import" className="rounded-[3px] border-[1.5px] border-ink bg-panel p-3">
      <h3 className="font-tight text-lead font-semibold">
        {file}: {fresh.length > 0 && `${fresh.length} new, `}
        {changes.length} {changes.length === 1 ? 'change' : 'changes'}
      </h3>
      {fresh.length > 0 && <p className="mt-1 text-small">New: {fresh.join(', ')}</p>}
      {changes.length > 0 && (
        <div className="mt-2 max-h-[40vh] overflow-auto">
          <DataTable
            label="What would change"
            columns={[
              { id: 'what', head: 'What', cell: ({ subject }) => subject, value: ({ subject }) => subject },
              { id: 'field', head: 'Field', cell: ({ what }) => what, value: ({ what }) => what },
              {
                id: 'now',
                head: 'Now',
                figure: true,
                cell: ({ before }) => <span className={WRAPS}>{before}</span>,
                value: ({ before }) => before,
              },
              {
                id: 'then',
                head: 'Then',
                figure: true,
                cell: ({ after }) => <b className={`font-semibold ${WRAPS}`}>{after}</b>,
                value: ({ after }) => after,
              },
            ]}
            rows={changes}
            idOf={({ subject, what }) => `${subject} ${what}`}
          />
        </div>
      )}
      <div className="mt-3 flex gap-2">
        <Action
          look="strong"
          onPress={() => {
            if (dispatch(edit)) onDone();
          }}
        >
          Take it
        </Action>
        <Action onPress={onDone}>Leave it</Action>
      </div>
    </section>
  );
}
