import { Transform } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { renderToPipeableStream } from "react-dom/server";
import { isRouteErrorResponse, ServerRouter, type AppLoadContext, type EntryContext } from "react-router";
import { log, told } from "./server/log";
import { keepText } from "./server/ready-pages";
import { NonceContext } from "./ui/nonce";

export const streamTimeout = 5_000;

/** Renders a page on the server, its scripts marked with the request's nonce; or gives it as it is kept ready. */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  entry: EntryContext,
  context: AppLoadContext,
): Promise<Response> {
  headers.set("content-type", "text/html; charset=utf-8");
  if (!headers.has("cache-control")) headers.set("cache-control", "no-store");
  if (context.ready?.text !== undefined) return Promise.resolve(new Response(context.ready.text, { status, headers }));
  const look = status === 200 && !entry.staticHandlerContext.errors ? context.ready?.look : undefined;
  return new Promise((resolve, reject) => {
    let shellSent = false;
    /** Nothing has gone wrong in drawing it. */
    let sound = true;
    const whole = isbot(request.headers.get("user-agent") ?? "");
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext value={context.nonce}>
        <ServerRouter context={entry} url={request.url} nonce={context.nonce} />
      </NonceContext>,
      {
        nonce: context.nonce,
        [whole ? "onAllReady" : "onShellReady"]() {
          shellSent = true;
          const body = gathered((text) => {
            if (look !== undefined && sound) keepText(context.ready!.key, look, text, context.nonce);
          }, look !== undefined);
          resolve(new Response(createReadableStreamFromReadable(body), { status, headers }));
          pipe(body);
        },
        onShellError: reject,
        onError(error) {
          sound = false;
          if (shellSent)
            log.error(
              { id: context.requestId, route: context.route, ...told(error) },
              "a page could not be drawn whole",
            );
        },
      },
    );
    setTimeout(abort, streamTimeout + 1000).unref();
  });
}

/** So much is sent at once. */
const AT_ONCE = 32_000;

/** Gathers what is drawn into larger pieces, each of which costs as much on its way as a small one. What there is goes at the next turn. With `keeps`, the whole of it is told when it is there. */
function gathered(onWhole: (text: string) => void, keeps: boolean): Transform {
  const all: Buffer[] = [];
  let pieces: Buffer[] = [];
  let size = 0;
  let waiting: NodeJS.Immediate | undefined;
  const send = (stream: Transform) => {
    clearImmediate(waiting);
    waiting = undefined;
    if (size > 0) stream.push(Buffer.concat(pieces));
    pieces = [];
    size = 0;
  };
  return new Transform({
    transform(piece: Buffer, _, done) {
      pieces.push(piece);
      if (keeps) all.push(piece);
      size += piece.length;
      if (size >= AT_ONCE) send(this);
      else waiting ??= setImmediate(send, this);
      done();
    },
    flush(done) {
      send(this);
      if (keeps) onWhole(Buffer.concat(all).toString());
      done();
    },
    destroy(error, done) {
      clearImmediate(waiting);
      done(error);
    },
  });
}

/** What a loader or action did not expect. Whoever went away before it was done, and what is not there, is nobody's fault. */
export function handleError(error: unknown, { request, context }: { request: Request; context: AppLoadContext }): void {
  if (request.signal.aborted || (isRouteErrorResponse(error) && error.status < 500)) return;
  log.error(
    { id: context.requestId, method: request.method, route: context.route, ...told(error) },
    "a request failed",
  );
}
