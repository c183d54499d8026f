/** What changes a document. It comes with the first edit: the page of all builds does without it. */
export { applyEdit, patchBuild } from '@/core/build';
