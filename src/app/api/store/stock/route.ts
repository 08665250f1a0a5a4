import { answer } from '@/server/http';
import { putStock } from '@/server/store';

export const POST = (request: Request) => answer(() => putStock(request));
