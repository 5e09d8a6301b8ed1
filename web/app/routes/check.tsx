export { Check as default } from '../check/Check'
