import type { Build } from '@/core/build';
import { buildFileName, buildText } from '@/core/formats/build-file';
import { repository } from '@/store/tab';
import { download } from '@/ui/action';

/** Hands a build to the person as a file, and remembers that it was: what is only in this browser is counted from here. */
export function exportBuild(build: Build): void {
  download(buildText(build), buildFileName(build.name, '.ropeway.json'), 'application/json');
  // Where nothing can be stored there is nothing to remember either.
  repository()
    .exported(build.id)
    .catch(() => {});
}

/** Work that is only in this browser is told from here on, hours: a day of it. */
export const DAY_OF_WORK_H = 8;
