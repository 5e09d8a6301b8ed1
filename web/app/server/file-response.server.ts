import { data } from 'react-router'

/** A file that was made, or why it was not. */
export type FileOut = { body: Buffer; type: string; name: string } | { message: string; status: 400 | 404 }

/** The file as a download; what went wrong is thrown as a response with its sentence. */
export function fileResponse(out: FileOut): Response {
  if ('message' in out) throw data(out.message, { status: out.status })
  return new Response(new Uint8Array(out.body), {
    headers: {
      'Content-Type': out.type,
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(out.name)}`,
    },
  })
}
