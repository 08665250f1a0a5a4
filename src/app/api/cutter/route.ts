import { postCutter, putCutter, readCutter } from '@/server/devices/cutter';
import { answer } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = () => answer(() => readCutter());
export const POST = (request: Request) => answer(() => postCutter(request));
export const PUT = (request: Request) => answer(() => putCutter(request));
