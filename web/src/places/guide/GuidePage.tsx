export function GuidePage() {
  return null;
}
