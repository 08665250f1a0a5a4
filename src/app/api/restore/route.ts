import { postRestore } from '@/server/backups';
import { answer } from '@/server/http';

export const POST = (request: Request) => answer(() => postRestore(request));
