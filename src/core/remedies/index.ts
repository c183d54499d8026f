export { findRemedies, type Remedy, type Worsened } from './find';
