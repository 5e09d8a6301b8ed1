import { Transform, type TransformCallback } from 'node:stream'

/**
 * Gathers what is written until it is flushed. A page is written in parts of two thousand bytes; each of them
 * would pass through every stream behind this one, and be compressed, by itself.
 */
export class InFlushes extends Transform {
  private parts: Buffer[] = []

  override _transform(part: Buffer, _: BufferEncoding, done: TransformCallback): void {
    this.parts.push(part)
    done()
  }

  /** Passes on what was gathered. React calls this when it has written all that is ready. */
  flush(): void {
    if (this.parts.length === 0) return
    this.push(Buffer.concat(this.parts))
    this.parts = []
  }

  override _flush(done: TransformCallback): void {
    this.flush()
    done()
  }
}
