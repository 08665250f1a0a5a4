import { dispatch } from '@/server/api/dispatch';

export const dynamic = 'force-dynamic';
export const GET = (request: Request) => dispatch(request, ['health']);
