import { answer } from '@/server/http';
import { postPhoto } from '@/server/photos';

export const POST = (request: Request) => answer(() => postPhoto(request));
