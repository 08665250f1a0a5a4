import { tapeStream } from '@/server/devices/tape';

export const dynamic = 'force-dynamic';
export const GET = (request: Request) => tapeStream(request);
