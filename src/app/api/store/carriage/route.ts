import { answer } from '@/server/http';
import { putCarriage } from '@/server/store';

export const PUT = (request: Request) => answer(() => putCarriage(request));
