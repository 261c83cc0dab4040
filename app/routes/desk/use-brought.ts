import { useEffect, useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { broughtWords, readBroughtHash } from "~/core/wording/brought";

/** What whoever comes here brings along in the address: going on adding drills, or what a file has brought. */
export function useBrought() {
  const navigate = useNavigate();
  // Whoever has just added the first drill goes on adding; coming back here later does not.
  const { hash } = useLocation();
  const [adding, setAdding] = useState(false);
  const [brought, setBrought] = useState("");
  useEffect(() => {
    const came = readBroughtHash(hash);
    if (hash !== "#add" && !came) return;
    if (came) setBrought(broughtWords(came));
    else setAdding(true);
    void navigate({ hash: "" }, { replace: true, preventScrollReset: true });
  }, [hash, navigate]);
  return { adding, brought, hushBrought: () => setBrought("") };
}
