/** The mark of figures from outside that nobody has tried here yet. */
export function Untried({ untried }: { untried: boolean | undefined }) {
  return untried ? <span className="untried">starting value, not tried here</span> : null;
}
