import { readFloor } from '@/server/floor';
import { answer } from '@/server/http';

export const GET = (request: Request) => answer(() => readFloor(request));
