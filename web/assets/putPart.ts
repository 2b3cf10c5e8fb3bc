import { refusal, Unreachable } from '../api/client';

/** Sends one part, telling how much of it has gone. XMLHttpRequest, since fetch cannot tell. */
export function putPart(
  asset: string,
  number: number,
  bytes: ArrayBuffer,
  tell: (share: number) => void = () => undefined,
): Promise<void> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('PUT', `/api/assets/${asset}/parts/${number}`);
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.responseType = 'json';
    request.upload.onprogress = (event) => tell(event.total > 0 ? event.loaded / event.total : 0);
    request.onload = () =>
      request.status < 300
        ? resolve()
        : reject(refusal(request.status, request.response, request.getResponseHeader('Retry-After')));
    request.onerror = () => reject(new Unreachable());
    request.send(bytes);
  });
}
