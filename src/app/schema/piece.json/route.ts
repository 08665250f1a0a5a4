import { dispatch } from '@/server/api/dispatch';

export const GET = (request: Request) => dispatch(request, ['schema', 'piece.json']);
