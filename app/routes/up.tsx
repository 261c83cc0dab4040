export default function Up() {
  return <p>Mapset is up.</p>;
}
