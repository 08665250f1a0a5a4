import { readAskedFor } from '@/server/diary';
import { answer } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = (request: Request) => answer(() => readAskedFor(request));
