import { LARGEST_FILE_BYTES } from '@/core/build/schema';
import { answer } from '../body';

/** All checks of a build file, as `assess --json` gives them. */
export const POST = (request: Request): Promise<Response> => answer(request, null, LARGEST_FILE_BYTES);
