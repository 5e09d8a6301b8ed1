export { Results as default } from '../results/Results'
