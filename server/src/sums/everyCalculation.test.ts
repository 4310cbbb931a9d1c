import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import * as core from '@riffle/core';

/** Functions of the core that have no call of their own under /sums, and why. */
const WITHOUT: Readonly<Record<string, readonly string[]>> = {
  'says a figure in a person’s units and computes nothing': [
    'grouped',
    'sayCounts',
    'showArea',
    'showBulkGold',
    'showDistance',
    'showFlow',
    'showGold',
    'showGrade',
    'showLength',
    'showLoad',
    'showPitch',
    'showShear',
    'showSmallLength',
    'showSpeed',
    'showTemperature',
    'showThroughput',
    'showVolume',
    'significant',
    'text',
  ],
  'draws numbers by chance, or is a distribution of any textbook': [
    'gammaCdf',
    'gammaDraw',
    'gammaQuantile',
    'normalDraw',
    'poissonDraw',
    'seededRandom',
  ],
  'a part of a call: its answer is in there': [
    'asRunEvent',
    'bandAfter',
    'beliefMean_mg_L',
    'beliefQuantile_mg_L',
    'carriedGravel_m3_s',
    'caughtTo',
    'chanceAbove',
    'correctForHands',
    'countByWords',
    'countColors',
    'creditGold',
    'dietrich_m_s',
    'dryMass',
    'exactSum_mg',
    'fergusonChurch_m_s',
    'goldColor_mg',
    'haiderLevenspielDrag',
    'haiderLevenspiel_m_s',
    'judgedByItsTop',
    'addTaps',
    'keepTally',
    'liesInPit',
    'meanColor_mg',
    'meansOf',
    'pansUntilWithin',
    'passingAt_percent',
    'payLayers',
    'pitDepth_m',
    'poolSamples',
    'richardsonZakiExponent',
    'scatterVariance',
    'semivariance',
    'signKind',
    'tideHeight_m',
    'timeDay',
    'typicalStone_m',
    'unitSize',
    'volumeInLitres',
    'walkingSpeed_m_s',
    'wordsOf',
    'workMinutes',
  ],
  'the shape of a ground or a line: answered with the ground file and the ground’s own calls': [
    'acrossOf',
    'bankOf',
    'bedHeights_m',
    'boxAbout',
    'centreLine',
    'flowDirection',
    'inside',
    'localPlane',
    'outlineOnGround',
    'reshapeLine',
    'thinLine',
    'walkedLine',
    'withinReach',
  ],
  'reads the records of a ground as the screens hold them; its sums are calls, the whole is not yet': [
    'bestOf',
    'bestSpot',
    'bootstrapBand',
    'bySections',
    'dayCandidates',
    'dayProblem',
    'fitPlaces',
    'floatGrows',
    'floatStones',
    'gatherPlaces',
    'gradeOf',
    'gradeOptions',
    'groundColors',
    'handsOf',
    'inPlace',
    'mapGround',
    'measureOf',
    'meaningOf',
    'pacePerPan',
    'paySection',
    'pitGrades',
    'placesOf',
    'provenRank',
    'rankPlaces',
    'readingVerdict',
    'riverIsFresh',
    'riverNow',
    'sampleWeights',
    'samplesBySpot',
    'screenChoice',
    'whichScreen',
    'spotGrades',
    'trailOf',
    'triedSpots',
    'underWater',
    'weighedCleanups',
    'withCounts',
  ],
};

describe('every calculation of the core', () => {
  const here = new URL('.', import.meta.url);
  // Of each file only its calls: what is imported there is used there, the linter sees to it.
  const calls = readdirSync(here)
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .map((f) => readFileSync(new URL(f, here), 'utf8'))
    .map((text) => text.slice(text.lastIndexOf("from '@riffle/core'")))
    .join('');
  const excused = Object.values(WITHOUT).flat();
  const functions = Object.entries(core).flatMap(([name, is]) =>
    typeof is === 'function' && !/^[A-Z]/.test(name) ? [name] : [],
  );

  test('is offered as a call, or is named here with its reason', () => {
    expect(functions.length).toBeGreaterThan(100);
    expect(functions.filter((f) => !new RegExp(`\\b${f}[(,)]`).test(calls) && !excused.includes(f))).toEqual([]);
  });
  test('none is excused that has a call, or is no more', () => {
    expect(excused.filter((f) => !functions.includes(f) || new RegExp(`\\b${f}\\(`).test(calls))).toEqual([]);
    expect(new Set(excused).size).toBe(excused.length);
  });
});
