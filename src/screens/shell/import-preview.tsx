'use client';
import type { Edit, Problem } from '@/core/build';
import type { Change } from '@/core/formats';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Problems } from '@/ui/problems';

export interface Preview {
  readonly file: string;
  readonly errors?: readonly Problem[];
  readonly fresh?: readonly string[];
  readonly changes?: readonly Change[];
  readonly edit?: Edit | null;
}

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
          <table className="w-full text-left text-small">
            <thead className="text-soft">
              <tr>
                <th scope="col" className="pr-3 font-medium">
                  What
                </th>
                <th scope="col" className="pr-3 font-medium">
                  Field
                </th>
                <th scope="col" className="pr-3 text-right font-medium">
                  Now
                </th>
                <th scope="col" className="text-right font-medium">
                  Then
                </th>
              </tr>
            </thead>
            <tbody>
              {changes.map(({ subject, what, before, after }) => (
                <tr key={`${subject} ${what}`} className="border-t border-rule">
                  <td className="pr-3">{subject}</td>
                  <td className="pr-3">{what}</td>
                  <td className="pr-3 text-right">{before}</td>
                  <td className="text-right font-semibold">{after}</td>
                </tr>
              ))}
            </tbody>
          </table>
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
