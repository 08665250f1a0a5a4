import { deleteEnter, postEnter } from '@/server/entrance/entrance';
import { answer } from '@/server/http';

export const POST = (request: Request) => answer(() => postEnter(request));
export const DELETE = (request: Request) => answer(() => deleteEnter(request));
