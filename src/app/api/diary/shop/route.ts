import { putShop } from '@/server/diary';
import { answer } from '@/server/http';

export const PUT = (request: Request) => answer(() => putShop(request));
