'use client';
import type { KeyboardEvent } from 'react';
import type { Assessment } from '@/core/assess';
import type { SettableName } from '@/core/build';
import { readable } from '@/ui/readable';
import { sideOutline } from '@/ui/side-outline';
import { VerdictMark } from '@/ui/verdict-mark';
import { type AxleLoad, type DrawnFigure, deriveDrawing, type SurveyTab } from './derive-drawing';

export type Go = (tab: SurveyTab, figure: SettableName | null) => void;

/** Room for a figure that can be pressed, drawing units. */
const LABEL = { width: 132, height: 44 };

/** The vehicle with what is known of it. A press on a figure leads to where it is typed. */
export function VehicleDrawing({ assessment, onGo }: { assessment: Assessment; onGo: Go }) {
  const drawing = deriveDrawing(assessment);
  const { body, axleX, wheelR } = drawing;
  const below = body.ground + 26;
  const middle = (axleX[0] + axleX[1]) / 2;
  return (
    <svg
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      {...readable(drawing.width, 12.5)}
      role="group"
      aria-label="The vehicle with its measures and loads"
    >
      <path d={`M176 ${body.ground}H${drawing.width - 176}`} stroke="var(--soft)" strokeWidth="1.4" />
      <path
        d={sideOutline(drawing.shape, body)}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth="1.6"
        strokeLinejoin="round"
      />
      {axleX.map((x) => (
        <g key={x}>
          <circle
            cx={x}
            cy={body.ground - wheelR}
            r={wheelR}
            fill="var(--panel)"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
          <circle
            cx={x}
            cy={body.ground - wheelR}
            r={wheelR * 0.55}
            fill="none"
            stroke="var(--rule)"
            strokeWidth="1.4"
          />
        </g>
      ))}
      <Span x0={axleX[0]} x1={axleX[1]} y={below} />
      {body.left < axleX[0] - 1 && <Span x0={body.left} x1={axleX[0]} y={below} />}
      {body.right > axleX[1] + 1 && <Span x0={axleX[1]} x1={body.right} y={below} />}
      <path
        d={`M${body.right + 24} ${body.top}V${body.ground}m-5 0h10m-10 ${body.top - body.ground}h10`}
        stroke="var(--soft)"
        fill="none"
      />
      <Figure name="Wheelbase" figure={drawing.wheelbase} x={middle} y={below + 20} onGo={onGo} />
      <Figure
        name="Front overhang"
        figure={drawing.frontOverhang}
        x={(body.left + axleX[0]) / 2}
        y={below + 20}
        onGo={onGo}
        quiet
      />
      <Figure
        name="Rear overhang"
        figure={drawing.rearOverhang}
        x={(axleX[1] + body.right) / 2}
        y={below + 20}
        onGo={onGo}
        quiet
      />
      <Figure
        name="Height"
        figure={{
          ...drawing.heightFigure,
          text: drawing.heightFigure.from === 'missing' ? 'height not entered' : `${drawing.heightFigure.text} high`,
        }}
        x={body.right + 62}
        y={body.ground + 22}
        onGo={onGo}
        quiet
      />
      {drawing.facts.map(({ name, ...figure }, k) => (
        <Figure key={name} name={name} figure={figure} x={86} y={42 + 42 * k} onGo={onGo} labelled />
      ))}
      {drawing.open.map(({ name, text, tab }, k) => (
        <Figure
          key={name}
          name={name}
          figure={{ text, from: 'told', tab, figure: null }}
          x={drawing.width - 86}
          y={42 + 42 * k}
          onGo={onGo}
          labelled
          quiet
        />
      ))}
      {axleX.map((x, k) => (
        <Axle key={x} x={x} top={body.top} load={drawing.axles[k]!} name={k === 0 ? 'front' : 'rear'} onGo={onGo} />
      ))}
    </svg>
  );
}

function Span({ x0, x1, y }: { x0: number; x1: number; y: number }) {
  return <path d={`M${x0} ${y}H${x1}m0 -5v10M${x0} ${y - 5}v10`} stroke="var(--soft)" fill="none" />;
}

const pressed = (act: () => void) => (event: KeyboardEvent) => {
  if (event.key !== 'Enter' && event.key !== ' ') return;
  event.preventDefault();
  act();
};

function Figure({
  name,
  figure,
  x,
  y,
  onGo,
  quiet = false,
  labelled = false,
}: {
  name: string;
  figure: DrawnFigure;
  x: number;
  y: number;
  onGo: Go;
  quiet?: boolean;
  labelled?: boolean;
}) {
  const go = () => onGo(figure.tab, figure.figure);
  const words = figure.from === 'assumed' ? `${figure.text}, assumed` : figure.text;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name}: ${words}`}
      onClick={go}
      onKeyDown={pressed(go)}
      className="cursor-pointer"
    >
      <rect
        x={x - LABEL.width / 2}
        y={y - LABEL.height / 2 - 4}
        width={LABEL.width}
        height={LABEL.height}
        fill="transparent"
      />
      {labelled && (
        <text x={x} y={y - 13} textAnchor="middle" fontSize="12.5" fill="var(--soft)">
          {name}
        </text>
      )}
      <text
        x={x}
        y={y + 4}
        textAnchor="middle"
        fontSize={quiet ? 14 : 17}
        fontWeight={figure.from === 'told' ? 600 : 400}
        fill={figure.from === 'told' ? 'var(--ink)' : 'var(--soft)'}
        textDecoration={figure.from === 'missing' ? 'underline' : undefined}
      >
        {words}
      </text>
    </g>
  );
}

/** What stands on an axle with a usual load, against its limit. */
function Axle({
  x,
  top,
  load,
  name,
  onGo,
}: {
  x: number;
  top: number;
  load: AxleLoad;
  name: 'front' | 'rear';
  onGo: Go;
}) {
  const go = () => onGo('wheels', name === 'front' ? 'frontLimit' : 'rearLimit');
  const y = Math.max(20, top - 24);
  // The front axle's words end at its arrow, the rear one's begin there: they never meet.
  const left = name === 'front' ? x - 166 : x - 24;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`On the ${name} axle: ${load.text}`}
      onClick={go}
      onKeyDown={pressed(go)}
      className="cursor-pointer"
    >
      <rect x={left} y={y - 20} width="190" height="32" fill="transparent" />
      <path d={`M${x} ${y - 12}v14m-4 -5 4 5 4 -5`} stroke="var(--ink)" fill="none" strokeWidth="1.4" />
      <text
        x={name === 'front' ? x - 10 : x + 10}
        y={y + 1}
        textAnchor={name === 'front' ? 'end' : 'start'}
        fontSize="15"
        fontWeight="600"
        fill={load.loadKg === null ? 'var(--soft)' : 'var(--ink)'}
      >
        {load.text}
      </text>
      {load.verdict !== 'unknown' && (
        <g transform={`translate(${name === 'front' ? x + 9 : x - 22} ${y - 11})`}>
          <VerdictMark shape={load.verdict} size={13} />
        </g>
      )}
    </g>
  );
}
