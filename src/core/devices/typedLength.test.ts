import { describe, expect, it } from 'vitest';
import { isTypedByCalipers, measuredLength, readTypedLength, zeroProblem } from './typedLength';

describe('what calipers type', () => {
  it.each([
    ['31.02', 31.02, 0.01, false],
    ['+31,02 mm', 31.02, 0.01, false],
    ['  31.02MM ', 31.02, 0.01, false],
    ['1.2215in', 31.0261, 0.00254, true],
    ['1.2215"', 31.0261, 0.00254, true],
    ['3.1cm', 31, 1, false],
    ['-0.01', -0.01, 0.01, false],
    ['62', 62, 1, false],
  ])('%s', (text, mm, resolution, inch) => {
    const { length } = readTypedLength(text);
    expect(length?.mm).toBeCloseTo(mm, 4);
    expect(length?.resolution).toBeCloseTo(resolution, 6);
    expect(length?.inch).toBe(inch);
  });

  it.each(['61_.__', '6?.02', 'Lo', 'LOW', 'bAt', 'B', '31.02 B', '--.--'])('%s: the battery is low', (text) => {
    expect(readTypedLength(text).problem).toContain('battery');
  });

  it.each(['', 'wide', '31.02.5', '9521204100088', '31 kg', '1/2in'])('“%s” is no length', (text) => {
    expect(readTypedLength(text).problem).toContain('is no length');
  });
});

it('is told from what a scanner sends', () => {
  expect(['31.02', '131.02mm', '62mm', '1.2215in'].map(isTypedByCalipers)).toEqual([true, true, true, true]);
  expect(['9521204100088', '952120', 'VK4821-107', '62', '(01)09521204100088'].map(isTypedByCalipers)).toEqual(
    Array.from({ length: 5 }, () => false),
  );
});

describe('a length', () => {
  const length = { mm: 31.02, resolution: 0.01, inch: false };
  const zero = { at: '2026-11-26T09:12:00.000Z', mm: 0.02 };

  it('loses what closed jaws showed, and is never surer than hand and item allow', () => {
    const { mm, uncertainty } = measuredLength(length, zero, 0.5);
    expect(mm).toBe(31);
    expect(uncertainty).toBeCloseTo(0.5, 3);
    // 0.03/√3 = 0.0173, 0.005/√3 = 0.0029, 0.01/√3 = 0.0058 with 0.05: 0.0533.
    expect(measuredLength(length, zero, 0.05).uncertainty).toBeCloseTo(0.053, 3);
  });

  it('is less sure where nobody looked at the zero', () => {
    const { mm, uncertainty, working } = measuredLength(length, null, 0.05);
    expect(mm).toBe(31.02);
    // 0.3/√3 = 0.173 with the rest.
    expect(uncertainty).toBeCloseTo(0.18, 2);
    expect(working).toContain('not checked');
  });

  it('is not measured with jaws that do not close', () => {
    expect(zeroProblem(zero)).toBeNull();
    expect(zeroProblem({ ...zero, mm: -0.46 })).toContain('Clean the jaws');
  });
});
