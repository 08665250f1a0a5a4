import { readCutterTemplates } from '@/server/cutter';
import { answer } from '@/server/http';

export const GET = (request: Request) => answer(() => readCutterTemplates(request));
