import { matStream } from '@/server/devices/mat';

export const dynamic = 'force-dynamic';
export const GET = (request: Request) => matStream(request);
