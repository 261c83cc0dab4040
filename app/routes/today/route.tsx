export default function Today() {
  return null;
}
