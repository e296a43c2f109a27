import { calculators } from '../stages/calculators.ts';
import type { Endpoint } from '../workers/messages.ts';
import { serve } from '../workers/serve.ts';

/** The page at the other side. The types are those of a window; in a worker these two are all that there is. */
const page: Endpoint = {
  postMessage: (message, transfer) => self.postMessage(message, { transfer }),
  set onmessage(take: Endpoint['onmessage']) {
    self.onmessage = take;
  },
  get onmessage() {
    return null;
  },
};
serve(page, calculators);
