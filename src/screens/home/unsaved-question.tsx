'use client';
import { buildFileName, buildText } from '@/core/formats/build-file';
import type { Unsaved } from '@/store/tab';
import { Action, download } from '@/ui/action';
import { Ask } from '@/ui/ask';

/** Before work that is stored nowhere would be dropped. */
export function UnsavedQuestion({
  work: { document },
  onGo,
  onStay,
}: {
  work: Unsaved;
  onGo: () => void;
  onStay: () => void;
}) {
  return (
    <Ask
      open
      title={`${document.name} is stored nowhere yet`}
      go="Open the other, drop this work"
      onStay={onStay}
      onGo={onGo}
      more={
        <Action
          onPress={() =>
            download(buildText(document), buildFileName(document.name, '.ropeway.json'), 'application/json')
          }
        >
          Export it
        </Action>
      }
    >
      This browser did not store it: it is in this tab’s memory only, and opening another build drops it. Export it
      first, then it can be opened again.
    </Ask>
  );
}
