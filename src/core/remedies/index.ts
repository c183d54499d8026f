export { findRemedies, type Remedy, type Worsened } from './find';
export { type StarterChoice, starterLayout } from './starter';
