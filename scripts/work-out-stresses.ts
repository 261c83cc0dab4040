import { workOutStresses } from "./setup/stresses";

// Run by the commands that need no database before they are bundled.
await workOutStresses();
