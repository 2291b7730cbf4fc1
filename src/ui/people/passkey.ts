import type {
  PublicKeyCredentialCreationOptionsJSON,
  PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/browser';
import { post } from '../request';

const LEFT = 'No passkey was used. Try again, or use your passphrase.';

/** Whether this browser can use passkeys here: a passkey belongs to a name, not to an address. */
export const passkeysWork = (): boolean =>
  typeof window !== 'undefined' &&
  typeof window.PublicKeyCredential === 'function' &&
  !/^\[|^[\d.]+$/.test(window.location.hostname);

/** @throws Error with a sentence where the person leaves it, or the desk does not ask */
export async function givePasskey(): Promise<unknown> {
  const { startAuthentication } = await import('@simplewebauthn/browser');
  const optionsJSON = await post<PublicKeyCredentialRequestOptionsJSON>('/api/sign-in/question', { for: 'signIn' });
  return startAuthentication({ optionsJSON }).catch(() => {
    throw new Error(LEFT);
  });
}

/** @throws Error with a sentence where the person leaves it, or has one there already */
export async function makePasskey(): Promise<unknown> {
  const { startRegistration } = await import('@simplewebauthn/browser');
  const optionsJSON = await post<PublicKeyCredentialCreationOptionsJSON>('/api/sign-in/question', { for: 'new' });
  return startRegistration({ optionsJSON }).catch((error) => {
    throw new Error(
      error.name === 'InvalidStateError' ? 'This device holds a passkey of yours already.' : 'No passkey was made.',
    );
  });
}
