/** A symbol with its index set low: a_e as aₑ. */
export function Sym({ text }: { text: string }) {
  const [, head, index, rest] = /^([^_]*)(?:_([^/]+))?(.*)$/.exec(text)!;
  return (
    <span className="sym">
      {head}
      {index && <sub>{index}</sub>}
      {rest}
    </span>
  );
}
