export { writeSvg } from './writeSvg';
