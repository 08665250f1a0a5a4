import { postTimer, readTimers } from '@/server/bench';
import { answer } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = () => answer(() => readTimers());
export const POST = (request: Request) => answer(() => postTimer(request));
