import { answer } from '@/server/http';
import { readLog } from '@/server/pieces';

export const GET = (request: Request) => answer(() => readLog(request));
