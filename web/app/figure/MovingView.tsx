import { useLayoutEffect, useRef } from 'react'
import { paintScene, type Canvas, type Palette } from '@viga/drawing/canvas'
import type { Scene } from '@viga/drawing/scene'
import { palette } from './palette'

/** The scene while something in it is dragged: painted anew on a canvas with each move. */
export function MovingView({
  scene,
  lit,
  width,
  height,
}: {
  scene: Scene
  lit: ReadonlySet<string>
  width: number
  height: number
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const colours = useRef<Palette | null>(null)
  useLayoutEffect(() => {
    const c = canvas.current?.getContext('2d')
    if (!c || !canvas.current) return
    colours.current ??= palette(canvas.current)
    const ratio = window.devicePixelRatio || 1
    c.setTransform(ratio, 0, 0, ratio, 0, 0)
    c.clearRect(0, 0, width, height)
    paintScene(c as Canvas<Path2D>, scene, lit, colours.current, (d) => new Path2D(d))
  }, [scene, lit, width, height])
  const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1
  return (
    <canvas
      ref={canvas}
      className="moving"
      width={width * ratio}
      height={height * ratio}
      style={{ width, height }}
    />
  )
}
