import type { SampleGrade } from '@riffle/core';
import { useShow } from '../../../units/useShow.ts';

/** A grade in few words, for a drawing or a sentence. */
export function useSayGrade(): (grade: SampleGrade) => string {
  const show = useShow();
  return (grade) => {
    if (grade.kind === 'band') return show.band('grade', grade.grade_mg_L, grade.low_mg_L, grade.high_mg_L);
    return grade.kind === 'blank' ? `blank, under ${show.grade(grade.lessThan_mg_L)}` : 'weigh it';
  };
}
