export { Given as default } from '../given/Given'
