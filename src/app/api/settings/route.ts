import { answer } from '@/server/http';
import { putSettings } from '@/server/pieces';

export const PUT = (request: Request) => answer(() => putSettings(request));
