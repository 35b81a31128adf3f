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

/** A symbol with its subscript, inside a drawing. */
export function SymbolText({ text }: { text: string }) {
  const [letter, sub] = text.split('_');
  return (
    <>
      {letter}
      {sub && (
        <tspan baselineShift="sub" fontSize="8">
          {sub}
        </tspan>
      )}
    </>
  );
}
