export default function OwnDrill() {
  return null;
}
