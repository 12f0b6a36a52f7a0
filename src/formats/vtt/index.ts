export { writeVtt } from './writeVtt';
