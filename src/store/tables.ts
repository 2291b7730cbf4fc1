import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

/** A revision of a reference document: release record, maker, size chart, kind of goods, house rules, roster. */
export interface DocumentRow {
  kind: string;
  id: string;
  revision: number;
  hash: string;
  body: string;
  createdAt: string;
}

/** A document that came with an imported case and is not this desk's own. */
export type ForeignDocumentRow = Omit<DocumentRow, 'createdAt'>;

/** The projection of a case that the queue reads. */
export interface CaseRow {
  id: string;
  number: string;
  state: 'open' | 'sealed' | 'closed';
  seq: number;
  head: string;
  touchedAt: string;
  /** What the queue shows, as JSON. */
  summary: string;
}

export interface EventRow {
  id: string;
  caseId: string;
  seq: number;
  type: string;
  at: string;
  by: string;
  previous: string;
  hash: string;
  body: string;
}

export interface PhotographRow {
  sha256: string;
  mime: string;
  bytes: number;
  addedAt: string;
}

/** A code of a case that ought to be unique, or that may recur, as the register keeps it. */
export interface CodeRegisterRow {
  normal: string;
  fact: string;
  /** Within what it is unique. */
  scope: string;
  caseId: string;
  place: string;
  display: string;
  shared: number;
  outcome: string;
  at: string;
}

/** A case whose truth is known, reduced to what is learned from it. */
export interface ConfirmedCaseRow {
  caseId: string;
  kind: string;
  at: string;
  body: string;
}

/** The answers of two people to the same checks. */
export interface SecondOpinionRow {
  opinionId: string;
  caseId: string;
  at: string;
  pairs: string;
}

export interface Tables {
  confirmedCases: ModelStatic<Model<ConfirmedCaseRow, ConfirmedCaseRow>>;
  secondOpinions: ModelStatic<Model<SecondOpinionRow, SecondOpinionRow>>;
  documents: ModelStatic<Model<DocumentRow, DocumentRow>>;
  foreignDocuments: ModelStatic<Model<ForeignDocumentRow, ForeignDocumentRow>>;
  cases: ModelStatic<Model<CaseRow, CaseRow>>;
  events: ModelStatic<Model<EventRow, EventRow>>;
  photographs: ModelStatic<Model<PhotographRow, PhotographRow>>;
  codeRegister: ModelStatic<Model<CodeRegisterRow, CodeRegisterRow>>;
}

// Functions, since Sequelize writes the column's name into the object it is given.
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const key = () => ({ ...text(), primaryKey: true });

/** The Sequelize models; the tables themselves are made by the migrations. */
export function defineTables(sequelize: Sequelize): Tables {
  const options = (tableName: string) => ({ tableName, timestamps: false });
  return {
    documents: sequelize.define(
      'Document',
      {
        kind: key(),
        id: key(),
        revision: { ...whole(), primaryKey: true },
        hash: text(),
        body: text(),
        createdAt: text(),
      },
      // The table itself; what an import has not brought to its end is hidden by the view `documents`.
      options('kept_documents'),
    ),
    foreignDocuments: sequelize.define(
      'ForeignDocument',
      { hash: key(), kind: text(), id: text(), revision: whole(), body: text() },
      options('foreign_documents'),
    ),
    cases: sequelize.define(
      'Case',
      { id: key(), number: text(), state: text(), seq: whole(), head: text(), touchedAt: text(), summary: text() },
      options('cases'),
    ),
    events: sequelize.define(
      'Event',
      {
        id: key(),
        caseId: text(),
        seq: whole(),
        type: text(),
        at: text(),
        by: text(),
        previous: text(),
        hash: text(),
        body: text(),
      },
      options('case_events'),
    ),
    photographs: sequelize.define(
      'Photograph',
      { sha256: key(), mime: text(), bytes: whole(), addedAt: text() },
      options('photographs'),
    ),
    confirmedCases: sequelize.define(
      'ConfirmedCase',
      { caseId: key(), kind: text(), at: text(), body: text() },
      options('confirmed_cases'),
    ),
    secondOpinions: sequelize.define(
      'SecondOpinion',
      { opinionId: key(), caseId: text(), at: text(), pairs: text() },
      options('second_opinions'),
    ),
    codeRegister: sequelize.define(
      'RegisteredCode',
      {
        normal: key(),
        fact: key(),
        scope: key(),
        caseId: key(),
        place: key(),
        display: text(),
        shared: whole(),
        outcome: text(),
        at: text(),
      },
      options('code_register'),
    ),
  };
}
