/** Our own mark: a bar of chocolate with light across it. */
export function Mark() {
  return (
    <svg width="34" height="18" viewBox="0 0 34 18" aria-hidden="true">
      <rect width="34" height="18" rx="3" fill="#2C1A12" />
      <path d="M14 0h8l-6 18H8z" fill="#E9ECE9" opacity="0.9" />
    </svg>
  );
}
