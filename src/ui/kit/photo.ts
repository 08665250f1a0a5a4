import { UNREACHED } from './api';

/** What keeping a photo answered: its name, or what is wrong with it. */
export type KeptPhoto = { name: string; width: number; height: number } | { message: string };

/**
 * Sends a photo to be kept beside the database.
 *
 * @param file from the camera or a folder
 */
export async function keepPhoto(file: File): Promise<KeptPhoto> {
  try {
    const response = await fetch('/api/photos', { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body: file });
    return (await response.json()) as KeptPhoto;
  } catch {
    return { message: UNREACHED };
  }
}
