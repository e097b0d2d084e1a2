/** The layout shows the library; the address only says what is looked at. */
export default function LibraryPage() {
  return null;
}
