import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, concatBytes, hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js';

// A leaf and a node of the same bytes must not be taken for each other.
const LEAF = Uint8Array.of(0);
const NODE = Uint8Array.of(1);

const leafHash = (leaf: string): Uint8Array => sha256(concatBytes(LEAF, utf8ToBytes(leaf)));

function rootOf(hashes: Uint8Array[]): Uint8Array {
  const [only] = hashes;
  if (!only) return sha256(new Uint8Array());
  if (hashes.length === 1) return only;
  const split = 2 ** (Math.ceil(Math.log2(hashes.length)) - 1);
  return sha256(concatBytes(NODE, rootOf(hashes.slice(0, split)), rootOf(hashes.slice(split))));
}

/**
 * The root of a Merkle tree over texts in their order: whoever knows it knows whether any of them was changed.
 *
 * @returns 64 hexadecimal digits
 * @source RFC 6962, 2.1, with SHA-256
 */
export const merkleRoot = (leaves: string[]): string => bytesToHex(rootOf(leaves.map(leafHash)));

/**
 * The hashes beside the way from one leaf to the root, so that the leaf can be proved without the others.
 *
 * @source RFC 6962, 2.1.1
 */
export function merklePath(leaves: string[], index: number): string[] {
  const hashes = leaves.map(leafHash);
  const path = (at: number, among: Uint8Array[]): Uint8Array[] => {
    if (among.length <= 1) return [];
    const split = 2 ** (Math.ceil(Math.log2(among.length)) - 1);
    return at < split
      ? [...path(at, among.slice(0, split)), rootOf(among.slice(split))]
      : [...path(at - split, among.slice(split)), rootOf(among.slice(0, split))];
  };
  return path(index, hashes).map(bytesToHex);
}

/** The root that a leaf and its path come to. */
export function rootFromPath(leaf: string, index: number, size: number, path: string[]): string {
  const climb = (at: number, among: number, rest: Uint8Array[]): Uint8Array => {
    const beside = rest.at(-1);
    if (among <= 1 || !beside) return leafHash(leaf);
    const split = 2 ** (Math.ceil(Math.log2(among)) - 1);
    const below = rest.slice(0, -1);
    return at < split
      ? sha256(concatBytes(NODE, climb(at, split, below), beside))
      : sha256(concatBytes(NODE, beside, climb(at - split, among - split, below)));
  };
  return bytesToHex(climb(index, size, path.map(hexToBytes)));
}
