import { Document, Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import { BENCH_CARDS, type BenchCard, type CardPiece, darkPieces } from '@/core/measure/benchCard';
import type { PaperSize } from './ReportDocument';

/** Points on a mm. */
const PT = 72 / 25.4;
/** Length of the line that shows whether the printer is true, in mm. */
const TRUE_MM = 150;

const s = StyleSheet.create({
  page: { padding: 9 * PT, fontFamily: 'Next', fontSize: 8.5, lineHeight: 1.35 },
  row: { flexDirection: 'row', gap: 8 * PT, marginTop: 5 * PT, alignItems: 'flex-start' },
});

const rectangles = (pieces: CardPiece[]): string =>
  pieces.map(({ x, y, width, height }) => `M${x} ${y}h${width}v${height}h${-width}z`).join('');

/** One card at its true size; all of one colour in one path, so that no viewer shows seams. */
function Card({ card }: { card: BenchCard }) {
  const { width, height, marks, patches, pieces, words } = card;
  return (
    <View style={{ width: width * PT, height: height * PT, border: '0.3 solid #9aa8a0' }}>
      <Svg width={width * PT} height={height * PT} viewBox={`0 0 ${width} ${height}`}>
        <Path d={rectangles([...marks.flatMap(darkPieces), ...pieces])} fill="rgb(26,26,26)" />
        {patches.map((patch) => (
          <Path key={patch.name} d={rectangles([patch])} fill={`rgb(${patch.colour.join(',')})`} />
        ))}
        {words.map(({ text, x, y, size }) => (
          <Text key={`${text}/${x}`} x={x} y={y} style={{ fontSize: size, fontFamily: 'Next' }} textAnchor="middle">
            {text}
          </Text>
        ))}
      </Svg>
    </View>
  );
}

/** A ruler to hold beside a real one: what a printer made smaller is no bench card. */
function TrueLength() {
  const ticks = Array.from({ length: TRUE_MM / 10 + 1 }, (_, i) => `M${10 * i} 0v${i % 5 === 0 ? 4 : 2.4}`).join('');
  return (
    <View style={{ marginTop: 4 * PT }}>
      <Svg width={TRUE_MM * PT} height={4.2 * PT} viewBox={`-0.2 -0.2 ${TRUE_MM} 4.4`}>
        <Path d={`M0 0h${TRUE_MM}${ticks}`} stroke="#13201a" strokeWidth={0.2} />
      </Svg>
      <Text>
        Hold a ruler beside this line: from end to end it has to be {TRUE_MM} mm. If it is not, print again at 100 %,
        not fitted to the page. Cut the cards out, keep them flat and clean, and lay one beside what is photographed, in
        the same plane, with all four marks in the picture.
      </Text>
    </View>
  );
}

/** All bench cards on one sheet, in true size. */
export function BenchCardsDocument({ paper }: { paper: PaperSize }) {
  const [large, ...small] = BENCH_CARDS;
  return (
    <Document title="Bench cards" creator="Pinprick" producer="Pinprick" language="en">
      <Page size={paper} style={s.page}>
        {large && <Card card={large} />}
        <View style={s.row}>
          {small.map((card) => (
            <Card key={card.id} card={card} />
          ))}
          <View style={{ width: 52 * PT }}>
            {BENCH_CARDS.map(({ id, use }) => (
              <Text key={id}>
                {id}: for {use}.
              </Text>
            ))}
          </View>
        </View>
        <TrueLength />
      </Page>
    </Document>
  );
}
