import { deleteMember, postMember, readMembers } from '@/server/entrance/entrance';
import { answer } from '@/server/http';

export const GET = () => answer(() => readMembers());
export const POST = (request: Request) => answer(() => postMember(request));
export const DELETE = (request: Request) => answer(() => deleteMember(request));
