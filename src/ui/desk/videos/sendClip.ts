/** Facts about a video beside its files; the server validates them. */
export interface ClipOptions {
  readonly childId: number | null;
  readonly slug: string;
  readonly step: number;
  readonly idempotencyKey: string;
  readonly facts: object;
}

export type Sent = { readonly clipId: number } | { readonly fault: string };

/** Sends a clip or pictures, telling how much has gone. Sent once more under the same key it is the same one. */
export function sendClip(options: ClipOptions, files: readonly File[], onPercent: (percent: number) => void): Promise<Sent> {
  const form = new FormData();
  form.set('wish', JSON.stringify(options));
  for (const file of files) form.append('file', file);
  return new Promise((resolve) => {
    // Only XMLHttpRequest reports upload progress; fetch does not.
    const request = new XMLHttpRequest();
    const lost = () => resolve({ fault: 'The upload failed, but the video is still here. Check the connection and save again.' });
    request.upload.onprogress = ({ loaded, total }) => onPercent(Math.round((loaded / total) * 100));
    request.onload = () => {
      if (request.status !== 200) return resolve({ fault: request.responseText || 'It was not saved. Please try again.' });
      resolve(JSON.parse(request.responseText) as Sent);
    };
    request.onerror = lost;
    request.ontimeout = lost;
    request.open('POST', '/videos/take');
    request.send(form);
  });
}
