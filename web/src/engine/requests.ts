/** The requests under way, each with the signal that stops it. */
export interface Requests {
  /** Begins a request; the signal tells when it is to stop. */
  begin(request: number): AbortSignal;
  end(request: number): void;
  /** Stops a request; one that is over already is left alone. */
  cancel(request: number): void;
}

export function requestsUnderWay(): Requests {
  const controls = new Map<number, AbortController>();
  return {
    begin(request) {
      const control = new AbortController();
      controls.set(request, control);
      return control.signal;
    },
    end: (request) => controls.delete(request),
    cancel: (request) => controls.get(request)?.abort(),
  };
}
