/*
 * What Mapset writes to coaches. Plain text: a message is read as it is, and an address on a line of its own can be opened.
 */

export type MessageText = { kind: MessageKind; subject: string; body: string };
export type MessageKind = "welcome" | "already-here" | "new-password" | "password-changed";

/** How long an address in a message opens something, in hours. */
export const LINK_HOURS = 24;

const lasts = `It works once, for ${LINK_HOURS} hours.`;

/** To somebody who asked for an account: nobody has one until the address is shown to be theirs. */
export function welcomeMessage({ name, address }: { name: string; address: string }): MessageText {
  return {
    kind: "welcome",
    subject: "Choose a password for Mapset",
    body: `Hello ${oneLine(name)},\n\nsomebody asked for a coach’s account with this e-mail address. If it was you, choose a password here, and you are in:\n\n${address}\n\n${lasts}\n\nIf it was not you, leave this message alone: there is no account until a password is chosen.\n`,
  };
}

/** To somebody who asked for an account and has one. */
export function alreadyHereMessage({
  name,
  signIn,
  forgotten,
}: {
  name: string;
  signIn: string;
  forgotten: string;
}): MessageText {
  return {
    kind: "already-here",
    subject: "You have a Mapset account already",
    body: `Hello ${oneLine(name)},\n\nsomebody asked for a new account with this e-mail address, which has one already. Nothing was changed. Sign in here:\n\n${signIn}\n\nIf you have forgotten your password, choose a new one:\n\n${forgotten}\n\nIf it was not you who asked, there is nothing to do.\n`,
  };
}

/** To somebody who has forgotten their password. */
export function newPasswordMessage({ name, address }: { name: string; address: string }): MessageText {
  return {
    kind: "new-password",
    subject: "Choose a new password for Mapset",
    body: `Hello ${oneLine(name)},\n\nsomebody said they had forgotten the password of this account. If it was you, choose a new one here:\n\n${address}\n\n${lasts} Everybody who is signed in will have to sign in again.\n\nIf it was not you, leave this message alone: your password stays as it is.\n`,
  };
}

/** After a password was changed, by whoever did. */
export function passwordChangedMessage({ name, forgotten }: { name: string; forgotten: string }): MessageText {
  return {
    kind: "password-changed",
    subject: "Your Mapset password was changed",
    body: `Hello ${oneLine(name)},\n\nthe password of your account was changed just now, and everybody else who was signed in with it has been signed out.\n\nIf it was not you, choose another at once:\n\n${forgotten}\n`,
  };
}

/** A name as it may stand in a line: whoever asks for an account chooses it, and must not be able to write the message. */
function oneLine(name: string): string {
  const line = name
    .replace(/[\s\p{C}]+/gu, " ")
    .replace(/https?:|www\.|[/\\<>@]/gi, "")
    .trim();
  return line.length > 40 ? `${Array.from(line).slice(0, 40).join("")}…` : line || "coach";
}
