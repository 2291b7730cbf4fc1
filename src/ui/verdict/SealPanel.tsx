'use client';
import { type FormEvent, useCallback, useEffect, useState } from 'react';
import { factName } from '@/core/crossread/facts';
import { GOODS_WORDS, PACKAGING_WORDS } from '@/core/judgement/sentences';
import { verdictBody } from '@/core/judgement/verdictBody';
import { vouchingSentence } from '@/core/trust/vouching';
import { useCaseBook, useSaving, useStanding } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { Sheet } from '../controls/Sheet';
import { useInstant } from '../house/House';
import { useMay, useStake } from '../people/Me';

/** Seal the verdict, or see by whom and on what it was sealed, and reopen it with a reason. */
export function SealPanel() {
  const { file, grounds, record, nameOf } = useCaseBook();
  const formatInstant = useInstant();
  const { assessment, settled } = useStanding();
  const log = useSaving();
  const stake = useStake();
  const mayDo = useMay();
  const [asking, setAsking] = useState<'seal' | 'reopen' | 'close' | null>(null);
  const [agreed, setAgreed] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  const { goods, packaging } = assessment;
  const { seal } = file;

  const said = `${GOODS_WORDS[goods.decision]}, ${PACKAGING_WORDS[packaging.decision]}`;
  const settling = !settled || log.pending.length > 0;
  const sealIt = useCallback(async () => {
    setAsking(null);
    setAgreed(null);
    if (await stake()) record('verdictSealed', verdictBody(file, log.folder.grounds, assessment));
  }, [stake, record, file, log.folder.grounds, assessment]);
  // Whoever is faster than the last draws has agreed to what stood there, and to nothing else.
  useEffect(() => {
    if (agreed === null || settling) return;
    if (agreed === said) void sealIt();
  }, [agreed, settling, said, sealIt]);
  const dismiss = () => {
    setAsking(null);
    setAgreed(null);
  };
  const giveReason = (event: FormEvent) => {
    event.preventDefault();
    if (reason.trim() === '') return;
    const why = { reason: reason.trim().slice(0, 400) };
    if (asking === 'close') record('caseClosed', why);
    else record('reopened', why);
    setAsking(null);
    setReason('');
  };
  const closing = asking === 'close';
  const reasonSheet = (
    <Sheet
      open={asking === 'reopen' || closing}
      onOpenChange={(next) => !next && setAsking(null)}
      title={closing ? 'Close without a verdict' : 'Reopen the case'}
      description={
        closing
          ? 'For a case that was opened by mistake, or an item that was taken back. It leaves the queue, stays in the records, and can be reopened.'
          : 'What was there stays in the log; this adds to it.'
      }
    >
      <form onSubmit={giveReason} className="grid gap-3">
        <label className="grid gap-1">
          Reason
          <input
            // biome-ignore lint/a11y/noAutofocus: the sheet was opened for it
            autoFocus
            value={reason}
            maxLength={400}
            onChange={(event) => setReason(event.target.value)}
            className="h-10 border border-line bg-ground px-2 outline-none focus:border-accent"
          />
        </label>
        <div>
          <Button type="submit" look="act" disabled={reason.trim() === ''}>
            {closing ? 'Close the case' : 'Reopen'}
          </Button>
        </div>
      </form>
    </Sheet>
  );
  const open = assessment.findings.filter(({ mark }) => mark === 'open').length;
  const vouching = log.folder.vouching.findLast(({ type }) => type === 'verdictSealed');

  if (file.closed) {
    return (
      <section className="border-t pt-3">
        <h2 className="mb-1 text-[15px] font-semibold">Closed without a verdict</h2>
        <p>
          {nameOf(file.closed.by)}, {formatInstant(file.closed.at)}: {file.closed.reason}
        </p>
        <div className="mt-3">
          <Button data-key="s" disabled={!mayDo('reopened')} onClick={() => setAsking('reopen')}>
            Reopen with a reason <Key>s</Key>
          </Button>
        </div>
        {reasonSheet}
      </section>
    );
  }
  if (seal) {
    return (
      <section className="border-t pt-3">
        <h2 className="mb-1 text-[15px] font-semibold">Sealed</h2>
        <p>
          {nameOf(seal.by)}, {seal.at && formatInstant(seal.at)}
        </p>
        {Object.values(file.notices)
          .filter(({ others }) => others.length > 0)
          .map(({ key, display, fact, others, shared }) => (
            <p key={key} role="status" className="mt-2 text-differs">
              Since then the {factName(fact, null)} {display} was met on {others.map(({ number }) => number).join(', ')}{' '}
              too
              {shared ? '.' : '; no two items share one. Reopen the case to weigh it.'}
            </p>
          ))}
        <dl className="mt-2 grid gap-1 text-[13px] text-soft">
          <div>
            <dt className="inline">Seal: </dt>
            <dd className="inline font-mono break-all">{seal.hash || 'being kept'}</dd>
          </div>
          <div>
            <dt className="inline">Record: </dt>
            <dd className="inline">
              {seal.pins.release ? `${seal.pins.release.id}, revision ${seal.pins.release.revision}` : 'none'}
            </dd>
          </div>
          <div>
            <dt className="inline">Log: </dt>
            <dd className="inline">{log.folder.trouble ?? `${file.seq} events, unbroken`}</dd>
          </div>
          {vouching && (
            <div className={vouching.by === 'own' || vouching.by === 'known' ? '' : 'text-differs'}>
              <dt className="sr-only">Vouched for: </dt>
              <dd>{vouchingSentence(vouching)}</dd>
            </div>
          )}
        </dl>
        <div className="mt-3 flex flex-wrap gap-2">
          <Button data-key="s" disabled={!mayDo('reopened')} onClick={() => setAsking('reopen')}>
            Reopen with a reason <Key>s</Key>
          </Button>
          <ExportLink number={log.folder.number} />
        </div>
        {reasonSheet}
      </section>
    );
  }
  return (
    <section className="border-t pt-3">
      <div className="flex flex-wrap gap-2">
        <Button data-key="s" look="act" onClick={() => setAsking('seal')} disabled={!mayDo('verdictSealed')}>
          Seal verdict <Key>s</Key>
        </Button>
        <ExportLink number={log.folder.number} />
        <Button look="quiet" disabled={!mayDo('caseClosed')} onClick={() => setAsking('close')}>
          Close without a verdict
        </Button>
      </div>
      {reasonSheet}
      {file.reopenings.map(({ at, by, reason: why }) => (
        <p key={at} className="mt-2 text-[13px] text-soft">
          Reopened by {nameOf(by)}, {formatInstant(at)}: {why}
        </p>
      ))}
      <Sheet
        open={asking === 'seal'}
        onOpenChange={(next) => !next && dismiss()}
        title="Seal this verdict?"
        description="It is kept with the record, the checks and the house rules as they are now, and is read-only after that. It can be reopened only with a reason."
      >
        <dl className="mb-4 grid gap-1 text-[17px]">
          <div>
            <dt className="inline text-soft">Goods: </dt>
            <dd className="inline font-semibold">{GOODS_WORDS[goods.decision]}</dd>
          </div>
          <div>
            <dt className="inline text-soft">Packaging: </dt>
            <dd className="inline font-semibold">{PACKAGING_WORDS[packaging.decision]}</dd>
          </div>
        </dl>
        {open > 0 && (
          <p className="mb-4">
            {open} {open === 1 ? 'check is' : 'checks are'} not looked at; the verdict says so.
          </p>
        )}
        <div className="flex gap-2">
          <Button look="act" autoFocus onClick={() => setAgreed(said)}>
            Seal verdict
          </Button>
          <Button onClick={dismiss}>Not yet</Button>
        </div>
        <p role="status" className="mt-3 empty:hidden">
          {agreed !== null &&
            (agreed === said
              ? 'It is sealed as soon as everything is saved and drawn.'
              : 'It came out otherwise: look at it again.')}
        </p>
        <p className="mt-4 text-[13px] text-soft">
          {grounds.houseRules.name} decide by{' '}
          {grounds.houseRules.school === 'oneFault' ? 'one fault' : grounds.houseRules.school}.
        </p>
      </Sheet>
    </section>
  );
}

function ExportLink({ number }: { number: string }) {
  const look = 'inline-flex min-h-9 items-center rounded-sm border border-line bg-sheet px-3 hover:border-accent';
  return (
    <>
      <a href={`/api/cases/${number}/report`} target="_blank" rel="noreferrer" className={look}>
        Report, A4
      </a>
      <a href={`/api/cases/${number}/report?paper=letter`} target="_blank" rel="noreferrer" className={look}>
        Letter
      </a>
      <a href={`/api/cases/${number}/report?slip`} target="_blank" rel="noreferrer" className={look}>
        Slip
      </a>
      <a href={`/api/cases/${number}/pack`} download className={look}>
        Evidence pack
      </a>
      <a href={`/api/cases/${number}/export`} download className={look}>
        Export case
      </a>
    </>
  );
}
