import { serve } from '../scripts/serve.mjs'

export default async function setup() {
  const { address, stop } = await serve()
  process.env.VIGA = address
  return stop
}
