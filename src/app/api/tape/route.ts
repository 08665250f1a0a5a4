import { tapeStream } from '@/server/tape';

export const dynamic = 'force-dynamic';
export const GET = (request: Request) => tapeStream(request);
