import type { HttpRequest } from '@angular/common/http';
import type { HttpTestingController, TestRequest } from '@angular/common/http/testing';

/**
 * The one write that is sent. It goes through what is kept on the device first, which takes as long as it takes.
 * @param path how its address ends
 */
export async function written(http: HttpTestingController, method: string, path = ''): Promise<TestRequest> {
  const isSought = (request: HttpRequest<unknown>) => request.method === method && request.url.endsWith(path);
  for (let turn = 0; turn < 1500; turn++) {
    const [request, ...others] = http.match(isSought);
    if (request) {
      expect(others).toEqual([]);
      return request;
    }
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error(`No ${method} was sent.`);
}
