export function Mark() {
  return (
    <svg width="20" height="20" aria-hidden="true">
      <path d="M1 1H6.5L10 7.5L13.5 1H19V19H1Z" fill="var(--accent)" />
    </svg>
  );
}
