import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { merklePath, merkleRoot, rootFromPath } from './merkle';

const hex = (...parts: Buffer[]) => createHash('sha256').update(Buffer.concat(parts)).digest();
const leaf = (text: string) => hex(Buffer.from([0]), Buffer.from(text));
const node = (a: Buffer, b: Buffer) => hex(Buffer.from([1]), a, b);

describe('a Merkle tree', () => {
  it('has the roots that the standard gives', () => {
    const [a, b, c] = ['a', 'b', 'c'].map(leaf) as [Buffer, Buffer, Buffer];
    expect(merkleRoot([])).toBe(createHash('sha256').digest('hex'));
    expect(merkleRoot(['a'])).toBe(a.toString('hex'));
    expect(merkleRoot(['a', 'b', 'c'])).toBe(node(node(a, b), c).toString('hex'));
    // A node's bytes given as a leaf come to something else.
    expect(merkleRoot([Buffer.concat([a, b]).toString('latin1')])).not.toBe(node(a, b).toString('hex'));
  });
  it('proves each leaf by its path, and no other leaf', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.string(), { minLength: 1, maxLength: 40 }), fc.nat(), (leaves, n) => {
        const index = n % leaves.length;
        const path = merklePath(leaves, index);
        expect(rootFromPath(leaves[index] as string, index, leaves.length, path)).toBe(merkleRoot(leaves));
        expect(rootFromPath(`${leaves[index]}!`, index, leaves.length, path)).not.toBe(merkleRoot(leaves));
      }),
      { numRuns: 100 },
    );
  });
});
