/** An address that leads nowhere. */
export function Missing() {
  return (
    <div className="page">
      <h1>There is nothing here</h1>
      <p>The address leads nowhere. Choose a place above, or press / and search.</p>
    </div>
  );
}
