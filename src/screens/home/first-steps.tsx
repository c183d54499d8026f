/** An empty list teaches what there is to do. */
export function FirstSteps() {
  return (
    <div className="text-soft">
      <p>None yet.</p>
      <ol className="mt-3 list-decimal space-y-2 pl-5">
        <li>Open a sample: its circuit is solved at once, and the ledger lists every margin, thinnest first.</li>
        <li>
          Press a check for its working and its source; a failing one offers remedies that were tried on the model.
        </li>
        <li>
          Fit one, undo it, change a cable. Everything stays in this browser; export it as a file to keep it safe.
        </li>
        <li>Then start your own build: cells and inverter first, a first verdict follows.</li>
      </ol>
    </div>
  );
}
