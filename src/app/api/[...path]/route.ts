import { dispatch } from '@/server/api/dispatch';

type Context = { params: Promise<{ path: string[] }> };

/** Every request of the interface, answered by the table of routes. */
const byTable = async (request: Request, { params }: Context): Promise<Response> => dispatch(request, ['api', ...(await params).path]);

export const dynamic = 'force-dynamic';
export { byTable as GET, byTable as POST, byTable as PUT, byTable as DELETE };
