import { matStream } from '@/server/mat';

export const dynamic = 'force-dynamic';
export const GET = (request: Request) => matStream(request);
