declare module 'pdfmake/build/pdfmake' {
  import type { PageMaker } from './make-pdf';

  const maker: PageMaker;
  export default maker;
}
declare module 'pdfmake' {
  import type { PageMaker } from './make-pdf';

  const maker: PageMaker;
  export default maker;
}
