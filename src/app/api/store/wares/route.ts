import { answer } from '@/server/http';
import { putWare } from '@/server/store';

export const POST = (request: Request) => answer(() => putWare(request));
