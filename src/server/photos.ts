import { FileProblem } from '../core/file-problem';
import { checkPicture, LARGEST_PICTURE } from '../core/formats/picture';
import { keepPhoto, readPhoto } from '../data/photos';
import { readBytes, Refusal } from './http';

/** POST /api/photos: keeps a photo, whatever it calls itself, after looking at its own first bytes. */
export async function postPhoto(request: Request): Promise<Response> {
  const bytes = await readBytes(request, LARGEST_PICTURE, 'This photo is larger than 20 MB; take it smaller');
  try {
    const { extension, width, height } = checkPicture(bytes);
    return Response.json({ name: keepPhoto(bytes, extension), width, height }, { status: 201 });
  } catch (error) {
    if (error instanceof FileProblem) throw new Refusal(422, error.message);
    throw error;
  }
}

/** GET /api/photos/NAME */
export function getPhoto(name: string): Response {
  const photo = readPhoto(name);
  if (!photo) throw new Refusal(404, 'There is no such photo');
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      'content-type': photo.mime,
      'cache-control': 'private, max-age=31536000, immutable',
      // A picture in a page is shown all the same; opened by itself it is a file, and nothing else.
      'content-disposition': `attachment; filename="${name}"`,
      'x-content-type-options': 'nosniff',
    },
  });
}
