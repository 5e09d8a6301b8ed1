import { useLayoutEffect, useRef } from 'react'
import { paintScene, palette, type Palette } from './canvas'
import type { Scene } from './scene'

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
    paintScene(c, scene, lit, colours.current)
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
