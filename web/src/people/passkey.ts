import { server, unwrap } from "../api/client";

type Json = Record<string, unknown>;

/** What browsers have of late: options and answers as JSON (Web Authentication, level 3). */
type Modern = {
  parseCreationOptionsFromJSON(options: unknown): PublicKeyCredentialCreationOptions;
  parseRequestOptionsFromJSON(options: unknown): PublicKeyCredentialRequestOptions;
};

const modern = () =>
  typeof PublicKeyCredential === "undefined"
    ? undefined
    : (PublicKeyCredential as unknown as Partial<Modern>);

/** Whether passkeys can be used here: the way is secure, the address is a name, and the browser knows them. */
export const passkeysHere = () =>
  window.isSecureContext &&
  !/^[\d.]+$|:/.test(location.hostname) &&
  typeof modern()?.parseRequestOptionsFromJSON === "function";

const jsonOf = (c: Credential | null): Json => {
  if (!c) throw new Error("no passkey");
  return (c as unknown as { toJSON(): Json }).toJSON();
};

/** Makes a passkey on this device, and keeps its public part. */
export async function addPasskey(name: string) {
  const { id, options } = await unwrap(server.POST("/api/me/passkeys/begin"));
  const publicKey = (modern() as Modern).parseCreationOptionsFromJSON(options);
  const credential = jsonOf(await navigator.credentials.create({ publicKey }));
  await unwrap(server.POST("/api/me/passkeys", { body: { id, name, credential } }));
}

/** Signs in with a passkey of this device. */
export async function signInByPasskey() {
  const { id, options } = await unwrap(server.POST("/api/session/passkey/begin"));
  const publicKey = (modern() as Modern).parseRequestOptionsFromJSON(options);
  const credential = jsonOf(await navigator.credentials.get({ publicKey }));
  return unwrap(server.POST("/api/session/passkey", { body: { id, credential } }));
}
