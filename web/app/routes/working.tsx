export { Working as default } from '../working/Working'
