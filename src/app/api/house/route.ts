import { answer } from '@/server/http';
import { putHouse } from '@/server/pieces';

export const PUT = (request: Request) => answer(() => putHouse(request));
