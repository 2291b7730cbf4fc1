import Ajv2020, { type ErrorObject, type ValidateFunction } from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import caseSchema from '../../../docs/formats/case.schema.json';
import checkSchema from '../../../docs/formats/check.schema.json';
import codeSchemeSchema from '../../../docs/formats/code-scheme.schema.json';
import epcisSchema from '../../../docs/formats/epcis.schema.json';
import eventSchema from '../../../docs/formats/event.schema.json';
import houseRulesSchema from '../../../docs/formats/house-rules.schema.json';
import kindSchema from '../../../docs/formats/kind.schema.json';
import makerSchema from '../../../docs/formats/maker.schema.json';
import newEventSchema from '../../../docs/formats/new-event.schema.json';
import packSchema from '../../../docs/formats/pack.schema.json';
import recordsSchema from '../../../docs/formats/records.schema.json';
import releaseSchema from '../../../docs/formats/release.schema.json';
import rosterSchema from '../../../docs/formats/roster.schema.json';
import sizeChartSchema from '../../../docs/formats/size-chart.schema.json';
import statisticsSchema from '../../../docs/formats/statistics.schema.json';

/** The published formats, by the name of their file in docs/formats. */
export type FormatName =
  | 'case'
  | 'check'
  | 'code-scheme'
  | 'epcis'
  | 'event'
  | 'house-rules'
  | 'kind'
  | 'maker'
  | 'new-event'
  | 'records'
  | 'pack'
  | 'release'
  | 'roster'
  | 'size-chart'
  | 'statistics';

const ajv = new Ajv2020({
  allErrors: false,
  discriminator: true,
  schemas: [
    checkSchema,
    codeSchemeSchema,
    caseSchema,
    epcisSchema,
    eventSchema,
    houseRulesSchema,
    kindSchema,
    makerSchema,
    newEventSchema,
    packSchema,
    recordsSchema,
    releaseSchema,
    rosterSchema,
    sizeChartSchema,
    statisticsSchema,
  ],
});
addFormats.default(ajv);

const lastName = (path: string): string => path.split('/').at(-1) ?? '';

const TYPE_WORDS: Record<string, string> = {
  object: 'record of fields',
  array: 'list',
  string: 'text',
  integer: 'whole number',
  boolean: 'yes or no',
};
const FORMAT_WORDS: Record<string, string> = { date: 'day of the calendar', 'date-time': 'instant', uuid: 'UUID' };

const PHRASES: Record<string, (error: ErrorObject) => string> = {
  maxLength: ({ params }) => `has more than the ${params.limit} characters it may have`,
  minLength: () => 'is empty',
  additionalProperties: ({ params }) => `has a field “${params.additionalProperty}” that the format does not know`,
  required: ({ params }) => `lacks the field “${params.missingProperty}”`,
  type: ({ params }) => `is no ${TYPE_WORDS[params.type] ?? params.type}`,
  minimum: ({ params }) => `is below ${params.limit}`,
  maximum: ({ params }) => `is above ${params.limit}`,
  exclusiveMinimum: ({ params }) => `has to be above ${params.limit}`,
  exclusiveMaximum: ({ params }) => `has to be below ${params.limit}`,
  minItems: ({ params }) => `has fewer than ${params.limit} ${params.limit === 1 ? 'entry' : 'entries'}`,
  maxItems: ({ params }) => `has more than ${params.limit} entries`,
  uniqueItems: () => 'names the same thing twice',
  pattern: () => 'has a form that is not allowed there',
  format: ({ params }) => `is no ${FORMAT_WORDS[params.format] ?? params.format}`,
  const: ({ params }) => `is not ${JSON.stringify(params.allowedValue)}`,
  anyOf: () => 'fits none of the forms that it may have',
  oneOf: () => 'fits none of the forms that it may have',
  propertyNames: ({ params }) => `has a name “${String(params.propertyName).slice(0, 40)}” that is not allowed there`,
  minProperties: () => 'has too few fields',
  maxProperties: () => 'has too many fields',
  dependentRequired: ({ params }) => `has “${params.property}” without “${params.missingProperty}”`,
  enum: ({ params }) => `is none of ${params.allowedValues.join(', ')}`,
  discriminator: ({ params: { tag, tagValue } }) =>
    typeof tagValue === 'string' ? `has the unknown ${tag} “${tagValue.slice(0, 40)}”` : `lacks a known ${tag}`,
};

/** One sentence for the first thing that is wrong. */
function explain(error: ErrorObject | undefined): string {
  if (!error) return 'The document does not follow its format.';
  const phrase = PHRASES[error.keyword]?.(error) ?? 'does not follow its format';
  return error.instancePath === ''
    ? `It ${phrase}.`
    : `“${lastName(error.instancePath)}” (at ${error.instancePath}) ${phrase}.`;
}

/**
 * Hold a value against a published format.
 *
 * @returns null where it follows the format, else a sentence that says what is wrong and where
 * @example formatProblem('roster', { id: 'x', checkers: [] }) // '“checkers” (at /checkers) has fewer than 1 entry.'
 */
export function formatProblem(name: FormatName, value: unknown): string | null {
  const validate = ajv.getSchema(`pinprick:${name}`) as ValidateFunction;
  return validate(value) ? null : explain(validate.errors?.[0]);
}
