/** A button that opens a file; the same file can be chosen twice in a row. */
export function FileButton(props: { words: string; label?: string; accept: string; onFile: (file: File) => void }) {
  const { words, label, accept, onFile } = props;
  return (
    <label className="file">
      {words}
      <input
        type="file"
        className="sr"
        accept={accept}
        aria-label={label ?? words}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
