import { describe, expect, it } from 'vitest'
import { formatPeriod } from '../core/calendar/codes'
import { readFile } from './readFile'
import type { Answers } from './reading'

/** What a file came to: its series as they were read, what is asked, or why it is refused. */
function digest(text: string, answers: Answers = {}): Record<string, unknown> {
  const reading = readFile(new TextEncoder().encode(text), answers)
  const asked = (isOpen: boolean) =>
    reading.questions.filter(({ answer }) => (answer === null) === isOpen)
  if (reading.outcome === 'question') return { asks: asked(true).map(({ id }) => id) }
  if (reading.outcome === 'refused') {
    return { refused: reading.problems[0]!.because.slice(0, 60) }
  }
  const taken = asked(false).map(({ id, answer }) => `${id} ${answer}`)
  return {
    [`${reading.frequency} ${reading.shape.layout}`]: reading.series.map(({ series }) => [
      series.unit ? `${series.name} [${series.unit}]` : series.name,
      formatPeriod(series.start, series.calendar),
      series.values.length > 8
        ? [...series.values.slice(0, 4), `${series.values.length} values`]
        : series.values,
    ]),
    notes: reading.notes.map(({ code }) => code),
    ...(taken.length > 0 ? { taken } : {}),
  }
}

/** Files of each family with what they are read as, or what is asked about them. */
const FAMILIES: Readonly<
  Record<
    string,
    Readonly<Record<string, readonly [text: string, expected: Record<string, unknown>]>>
  >
> = {
  'rows and columns': {
    sepline: [
      'sep=;\nmonth;Sales\n2021-01;1,5\n2021-02;2,5\n2021-03;3,5',
      { 'monthly columns': [['Sales', '2021-01', [1.5, 2.5, 3.5]]], notes: [] },
    ],
    trailingsep: [
      'month,Sales,\n2021-01,5,\n2021-02,7,\n',
      { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: [] },
    ],
    'trailing data': [
      'month,Sales\n2021-01,5,\n2021-02,7,\n2021-03,8,',
      { 'monthly columns': [['Sales', '2021-01', [5, 7, 8]]], notes: [] },
    ],
    'thousand unq': [
      'month,Sales,Returns\n2021-01,950,10\n2021-02,1,050,12\n2021-03,1,120,9\n2021-04,990,8',
      { asks: ['split-cells'] },
    ],
    'thousand unq 1': [
      'month,Sales\n2021-01,950\n2021-02,1,050\n2021-03,1,120\n2021-04,990',
      { asks: ['split-cells'] },
    ],
    'thousand all': [
      'month,Sales\n2021-01,1,950\n2021-02,1,050\n2021-03,1,120\n2021-04,2,990',
      { asks: ['split-cells'] },
    ],
    quotedbreak: [
      'month,Sales,Note\n2021-01,5,"a\nb"\n2021-02,7,"c"\n2021-03,8,',
      { 'monthly columns': [['Sales', '2021-01', [5, 7, 8]]], notes: ['ignored-columns'] },
    ],
    aligned: [
      'month      Sales   Returns\n2021-01     1050        10\n2021-02      950        12\n2021-03     1120         9\n',
      {
        'monthly columns': [
          ['Sales', '2021-01', [1050, 950, 1120]],
          ['Returns', '2021-01', [10, 12, 9]],
        ],
        notes: [],
      },
    ],
    'aligned 2': [
      'Month            Units sold\nJanuary 2021           120\nFebruary 2021          130\nMarch 2021             125\n',
      { 'monthly columns': [['Units sold', '2021-01', [120, 130, 125]]], notes: [] },
    ],
    'aligned 1': [
      'month Sales\n2021-01 1050\n2021-02 950\n2021-03 1120\n',
      { 'monthly columns': [['Sales', '2021-01', [1050, 950, 1120]]], notes: [] },
    ],
    'two tables': [
      'month,Sales\n2021-01,5\n2021-02,7\n2021-03,8\n2021-04,9\n\nregion,Staff\nNorth,3\nSouth,4\n',
      { asks: ['table'] },
    ],
    'two tables 2': [
      'month,Sales\n2021-01,5\n2021-02,7\n2021-03,8\n2021-04,9\n\nmonth,Returns\n2021-01,1\n2021-02,2\n2021-03,3\n',
      { asks: ['table'] },
    ],
    'side table': [
      'month,Sales,,Region,Share\n2021-01,5,,North,0.5\n2021-02,7,,South,0.3\n2021-03,8,,West,0.2\n2021-04,9,,,\n2021-05,9,,,\n2021-06,10,,,',
      { 'monthly columns': [['Sales', '2021-01', [5, 7, 8, 9, 9, 10]]], notes: ['other-tables'] },
    ],
    ragged: [
      'month,Sales,Note\n2021-01,5,ok\n2021-02,7,ok, but late\n2021-03,8,ok',
      { 'monthly columns': [['Sales', '2021-01', [5, 7, 8]]], notes: ['ignored-columns'] },
    ],
    'pipe md': [
      '| month | Sales |\n|---|---|\n| 2021-01 | 5 |\n| 2021-02 | 7 |\n| 2021-03 | 9 |',
      { 'monthly columns': [['Sales', '2021-01', [5, 7, 9]]], notes: [] },
    ],
  },
  'a period column is never a series': {
    'json ym': [
      '[{"year":2021,"month":1,"sales":5},{"year":2021,"month":2,"sales":10},{"year":2021,"month":3,"sales":15}]',
      { 'monthly columns': [['sales', '2021-01', [5, 10, 15]]], notes: [] },
    ],
    'json ymnum': [
      '[{"yr":2021,"mo":1,"qty":3},{"yr":2021,"mo":2,"qty":8},{"yr":2021,"mo":3,"qty":13},{"yr":2021,"mo":4,"qty":18},{"yr":2021,"mo":5,"qty":23},{"yr":2021,"mo":6,"qty":28},{"yr":2021,"mo":7,"qty":33},{"yr":2021,"mo":8,"qty":38},{"yr":2021,"mo":9,"qty":43},{"yr":2021,"mo":10,"qty":48},{"yr":2021,"mo":11,"qty":53},{"yr":2021,"mo":12,"qty":58},{"yr":2022,"mo":1,"qty":63},{"yr":2022,"mo":2,"qty":68}]',
      { 'monthly columns': [['qty', '2021-01', [3, 8, 13, 18, '14 values']]], notes: [] },
    ],
    running: [
      'no,month,Sales\n1,2021-01,50\n2,2021-02,70\n3,2021-03,60',
      { 'monthly columns': [['Sales', '2021-01', [50, 70, 60]]], notes: ['ignored-columns'] },
    ],
    'running un': [
      ',month,Sales\n0,2021-01,50\n1,2021-02,70\n2,2021-03,60',
      { 'monthly columns': [['Sales', '2021-01', [50, 70, 60]]], notes: ['repeated-columns'] },
    ],
    t: [
      't,month,Sales\n1,2021-01,50\n2,2021-02,70\n3,2021-03,60',
      { 'monthly columns': [['Sales', '2021-01', [50, 70, 60]]], notes: ['repeated-columns'] },
    ],
    weekno: [
      'date,week,Sales\n2021-01-04,1,5\n2021-01-11,2,6\n2021-01-18,3,7\n2021-01-25,4,8\n2021-02-01,5,9\n2021-02-08,6,9\n2021-02-15,7,9\n2021-02-22,8,9\n2021-03-01,9,8',
      {
        'monthly columns': [['Sales', '2021-01', [26, 36]]],
        notes: ['repeated-columns', 'gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    yearweek: [
      'year,week,Sales\n2021,1,10\n2021,2,11\n2021,3,12\n2021,4,13\n2021,5,14\n2021,6,15\n2021,7,16\n2021,8,17\n2021,9,18\n2021,10,19\n2021,11,20\n2021,12,21\n2021,13,22\n2021,14,23\n2021,15,24\n2021,16,25\n2021,17,26\n2021,18,27\n2021,19,28\n2021,20,29',
      {
        'monthly columns': [['Sales', '2021-01', [46, 62, 78, 120]]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    'yearweek 2': [
      'year,wk,Sales\n2020,1,10\n2020,2,11\n2020,3,12\n2020,4,13\n2020,5,14\n2020,6,15\n2020,7,16\n2020,8,17\n2020,9,18\n2020,10,19\n2020,11,20\n2020,12,21\n2020,13,22\n2020,14,23\n2020,15,24\n2020,16,25\n2020,17,26\n2020,18,27\n2020,19,28\n2020,20,29\n2020,21,30\n2020,22,31\n2020,23,32\n2020,24,33\n2020,25,34\n2020,26,35\n2020,27,36\n2020,28,37\n2020,29,38\n2020,30,39\n2020,31,40\n2020,32,41\n2020,33,42\n2020,34,43\n2020,35,44\n2020,36,45\n2020,37,46\n2020,38,47\n2020,39,48\n2020,40,49\n2020,41,50\n2020,42,51\n2020,43,52\n2020,44,53\n2020,45,54\n2020,46,55\n2020,47,56\n2020,48,57\n2020,49,58\n2020,50,59\n2020,51,60\n2020,52,61\n2020,53,62\n2021,1,63\n2021,2,64\n2021,3,65\n2021,4,66\n2021,5,67\n2021,6,68\n2021,7,69',
      {
        'monthly columns': [['Sales', '2020-01', [60, 66, 82, 125, '13 values']]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    'yrmon unnamed': [
      'A,B,C\n2021,1,100\n2021,2,107\n2021,3,114\n2021,4,121\n2021,5,128\n2021,6,135\n2021,7,142\n2021,8,149\n2021,9,156\n2021,10,163\n2021,11,170\n2021,12,177\n2022,1,184\n2022,2,191',
      { 'monthly columns': [['C', '2021-01', [100, 107, 114, 121, '14 values']]], notes: [] },
    ],
    'date and year': [
      'date,year,month,Sales\n2021-01-01,2021,1,2\n2021-02-01,2021,2,5\n2021-03-01,2021,3,8\n2021-04-01,2021,4,11\n2021-05-01,2021,5,14',
      { 'monthly columns': [['Sales', '2021-01', [2, 5, 8, 11, 14]]], notes: ['repeated-columns'] },
    ],
    'quarter and month': [
      'year,quarter,month,Sales\n2021,1,1,100\n2021,1,2,107\n2021,1,3,114\n2021,2,4,121\n2021,2,5,128\n2021,2,6,135\n2021,3,7,142\n2021,3,8,149\n2021,3,9,156\n2021,4,10,163\n2021,4,11,170\n2021,4,12,177\n2022,1,1,184\n2022,1,2,191',
      {
        'monthly columns': [['Sales', '2021-01', [100, 107, 114, 121, '14 values']]],
        notes: ['repeated-columns'],
      },
    ],
    idx: ['Sales,t\n5,1\n7,2\n8,3\n9,4', { asks: ['frequency'] }],
  },
  dates: {
    'two dates': [
      'ordered,shipped,amount\n2021-01-05,2021-01-20,5\n2021-02-05,2021-02-21,8\n2021-03-05,2021-03-22,11\n2021-04-05,2021-04-23,14\n2021-05-05,2021-05-24,17\n2021-06-05,2021-06-25,20\n2021-07-05,2021-07-26,23\n2021-08-05,2021-08-27,26\n2021-09-05,2021-09-28,29',
      { asks: ['period-column'] },
    ],
    'two dates 2': [
      'order date,ship date,qty\n01/15/2021,02/03/2021,5\n02/16/2021,02/28/2021,6\n03/17/2021,04/01/2021,7\n04/18/2021,04/30/2021,8',
      { asks: ['period-column'] },
    ],
    'jan 12000': [
      'date,Sales\nJan 1 2000,5\nFeb 1 2000,6\nMar 1 2000,7',
      { 'monthly columns': [['Sales', '2000-01', [5, 6, 7]]], notes: [] },
    ],
    'd 1jan': [
      'date,Sales\n1 January 2000,5\n1 February 2000,6\n1 March 2000,7',
      { 'monthly columns': [['Sales', '2000-01', [5, 6, 7]]], notes: [] },
    ],
    mmyy: [
      'date,Sales\n03/21,5\n04/21,6\n05/21,7',
      {
        'monthly columns': [['Sales', '2021-03', [5, 6, 7]]],
        notes: [],
        taken: ['short-dates month-year'],
      },
    ],
    'mmyy dash': [
      'date,Sales\n03-21,5\n04-21,6\n05-21,7',
      {
        'monthly columns': [['Sales', '2021-03', [5, 6, 7]]],
        notes: [],
        taken: ['short-dates month-year'],
      },
    ],
    yymm: [
      'date,Sales\n21-03,5\n21-04,6\n21-05,7',
      {
        'monthly columns': [['Sales', '2021-03', [5, 6, 7]]],
        notes: [],
        taken: ['short-dates year-month'],
      },
    ],
    'mmyy amb': ['date,Sales\n03/04,5\n04/04,6\n05/04,7', { asks: ['short-dates'] }],
    ddmm: ['date,Sales\n01/01,5\n01/02,6\n01/03,7\n01/04,8', { asks: ['short-dates'] }],
    lastday: [
      'date,Sales\n31/01/2021,5\n28/02/2021,6\n31/03/2021,7',
      {
        'monthly columns': [['Sales', '2021-01', [5, 6, 7]]],
        notes: [],
        taken: ['dates day-first'],
      },
    ],
    tz: [
      'date,Sales\n2021-01-01T00:00:00+01:00,5\n2021-02-01T00:00:00+01:00,6\n2021-03-01T00:00:00+01:00,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'tz 2': [
      'date,Sales\n2021-01-01 00:00:00.000000+00:00,5\n2021-02-01 00:00:00.000000+00:00,6',
      { 'monthly columns': [['Sales', '2021-01', [5, 6]]], notes: [] },
    ],
    'tz 3': [
      'date,Sales\n"Fri, 01 Jan 2021 00:00:00 GMT",5\n"Mon, 01 Feb 2021 00:00:00 GMT",6',
      { 'monthly columns': [['Sales', '2021-01', [5, 6]]], notes: [] },
    ],
    weekday: [
      'date,Sales\nFri 1 Jan 2021,5\nMon 1 Feb 2021,6\nMon 1 Mar 2021,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    far: ['month,Sales\n2021-11,5\n2021-12,7\n2091-01,8\n2022-02,9', { asks: ['unread-rows'] }],
    'far 2': ['month,Sales\n2021-11,5\n2021-12,7\n2201-01,8\n2022-02,9', { asks: ['unread-rows'] }],
    allfar: ['month,Sales\n2091-11,5\n2091-12,7\n2092-01,8\n2092-02,9', { asks: ['far-years'] }],
    impossible: [
      'date,Sales\n2021-01-31,5\n2021-02-30,6\n2021-03-31,7\n2021-04-30,8',
      { asks: ['unread-rows'] },
    ],
    'impossible 2': [
      'date,Sales\n31/01/2021,5\n30/02/2021,6\n31/03/2021,7\n30/04/2021,8',
      { asks: ['unread-rows'] },
    ],
    'month 13': [
      'month,Sales\n2021-11,5\n2021-12,6\n2021-13,7\n2022-01,8',
      { asks: ['unread-rows'] },
    ],
    unix: [
      'ts,Sales\n1609459200,5\n1612137600,6\n1614556800,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    yyyymmdd: [
      'd,Sales\n20210101,5\n20210201,6\n20210301,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'mon dd': [
      'date,Sales\nJan-21,5\nFeb-21,6\nMar-21,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'mon apos': [
      "date,Sales\nJan '21,5\nFeb '21,6\nMar '21,7",
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
  },
  'seasons and counted years': {
    cols: [
      'Year,Spring,Summer,Autumn,Winter\n2019,5,9,4,2\n2020,6,10,5,3\n2021,6,11,5,3',
      { asks: ['first-season'] },
    ],
    'cols w': [
      'Year,Winter,Spring,Summer,Fall\n2019,5,9,4,2\n2020,6,10,5,3\n2021,6,11,5,3',
      { asks: ['first-season'] },
    ],
    text: [
      'Season,Sales\nSpring 2019,5\nSummer 2019,9\nAutumn 2019,4\nWinter 2019,2\nSpring 2020,6\nSummer 2020,10',
      { asks: ['first-season'] },
    ],
    'text col': [
      'Year,Season,Sales\n2019,Spring,5\n2019,Summer,9\n2019,Autumn,4\n2019,Winter,2\n2020,Spring,6\n2020,Summer,10',
      { asks: ['first-season'] },
    ],
    'y 123m': [
      'Year,Month,Sales\n1,1,100\n1,2,101\n1,3,102\n1,4,103\n1,5,104\n1,6,105\n1,7,106\n1,8,107\n1,9,108\n1,10,109\n1,11,110\n1,12,111\n2,1,112\n2,2,113\n2,3,114\n2,4,115\n2,5,116\n2,6,117\n2,7,118\n2,8,119\n2,9,120\n2,10,121\n2,11,122\n2,12,123\n3,1,124\n3,2,125',
      {
        'monthly columns': [['Sales', '1-01', [100, 101, 102, 103, '26 values']]],
        notes: ['counted-years'],
      },
    ],
    'y 123q': [
      'Year,Quarter,Sales\n1,1,100\n1,2,101\n1,3,102\n1,4,103\n2,1,104\n2,2,105\n2,3,106\n2,4,107\n3,1,108',
      {
        'quarterly columns': [['Sales', '1-Q1', [100, 101, 102, 103, '9 values']]],
        notes: ['counted-years'],
      },
    ],
    'y 123matrix': [
      'Year,Q1,Q2,Q3,Q4\n1,5,6,7,8\n2,6,7,8,9\n3,7,8,9,10',
      {
        'quarterly matrix': [['Series', '1-Q1', [5, 6, 7, 8, '12 values']]],
        notes: ['counted-years'],
      },
    ],
    'y 123named': [
      'Year,Q1,Q2,Q3,Q4\nYear 1,5,6,7,8\nYear 2,6,7,8,9\nYear 3,7,8,9,10',
      {
        'quarterly matrix': [['Series', '1-Q1', [5, 6, 7, 8, '12 values']]],
        notes: ['counted-years'],
      },
    ],
    'y 1q': [
      'Period,Sales\nYear 1 Q1,5\nYear 1 Q2,6\nYear 1 Q3,7\nYear 1 Q4,8\nYear 2 Q1,9',
      { 'quarterly columns': [['Sales', '1-Q1', [5, 6, 7, 8, 9]]], notes: ['counted-years'] },
    ],
    'y 1mon': [
      'Year,Month,Sales\n1,Jan,100\n1,Feb,101\n1,Mar,102\n1,Apr,103\n1,May,104\n1,Jun,105\n1,Jul,106\n1,Aug,107\n1,Sep,108\n1,Oct,109\n1,Nov,110\n1,Dec,111\n2,Jan,112\n2,Feb,113\n2,Mar,114\n2,Apr,115\n2,May,116\n2,Jun,117\n2,Jul,118\n2,Aug,119\n2,Sep,120\n2,Oct,121\n2,Nov,122\n2,Dec,123\n3,Jan,124\n3,Feb,125',
      {
        'monthly columns': [['Sales', '1-01', [100, 101, 102, 103, '26 values']]],
        notes: ['counted-years'],
      },
    ],
    undated: ['Sales\n5\n7\n9\n4\n6\n8\n10\n5', { asks: ['frequency'] }],
    daysdown: [
      'Day,2019,2020,2021\n1-Jan,0,1,2\n2-Jan,1,2,3\n3-Jan,2,3,4\n4-Jan,3,4,5\n5-Jan,4,5,6\n6-Jan,5,6,7\n7-Jan,6,7,8\n8-Jan,7,8,9\n9-Jan,8,9,10\n10-Jan,9,10,11\n11-Jan,10,11,12\n12-Jan,11,12,13\n13-Jan,12,13,14\n14-Jan,13,14,15\n15-Jan,14,15,16\n16-Jan,15,16,17\n17-Jan,16,17,18\n18-Jan,17,18,19\n19-Jan,18,19,20\n20-Jan,19,20,21\n21-Jan,20,21,22\n22-Jan,21,22,23\n23-Jan,22,23,24\n24-Jan,23,24,25\n25-Jan,24,25,26\n26-Jan,25,26,27\n27-Jan,26,27,28\n28-Jan,27,28,29\n29-Jan,28,29,30\n30-Jan,29,30,31\n31-Jan,30,31,32\n1-Feb,31,32,33\n2-Feb,32,33,34\n3-Feb,33,34,35\n4-Feb,34,35,36\n5-Feb,35,36,37\n6-Feb,36,37,38\n7-Feb,37,38,39\n8-Feb,38,39,40\n9-Feb,39,40,41\n10-Feb,40,41,42\n11-Feb,41,42,43\n12-Feb,42,43,44\n13-Feb,43,44,45\n14-Feb,44,45,46\n15-Feb,45,46,47\n16-Feb,46,47,48\n17-Feb,47,48,49\n18-Feb,48,49,50\n19-Feb,49,50,51\n20-Feb,50,51,52\n21-Feb,51,52,53\n22-Feb,52,53,54\n23-Feb,53,54,55\n24-Feb,54,55,56\n25-Feb,55,56,57\n26-Feb,56,57,58\n27-Feb,57,58,59\n28-Feb,58,59,60\n1-Mar,59,60,61\n2-Mar,60,61,62\n3-Mar,61,62,63\n4-Mar,62,63,64\n5-Mar,63,64,65\n6-Mar,64,65,66\n7-Mar,65,66,67\n8-Mar,66,67,68\n9-Mar,67,68,69\n10-Mar,68,69,70\n11-Mar,69,70,71\n12-Mar,70,71,72\n13-Mar,71,72,73\n14-Mar,72,73,74\n15-Mar,73,74,75\n16-Mar,74,75,76\n17-Mar,75,76,77\n18-Mar,76,77,78\n19-Mar,77,78,79\n20-Mar,78,79,80\n21-Mar,79,80,81\n22-Mar,80,81,82\n23-Mar,81,82,83\n24-Mar,82,83,84\n25-Mar,83,84,85\n26-Mar,84,85,86\n27-Mar,85,86,87\n28-Mar,86,87,88\n29-Mar,87,88,89\n30-Mar,88,89,90\n31-Mar,89,90,91',
      {
        'monthly matrix': [['Series', '2019-01', [465, 1246, 2294, null, '27 values']]],
        notes: ['gathered', 'missing'],
        taken: ['frequency monthly', 'gather sum'],
      },
    ],
    'daysdown 2': [
      'Date,2019,2020,2021\n01.01.,0,1,2\n02.01.,1,2,3\n03.01.,2,3,4\n04.01.,3,4,5\n05.01.,4,5,6\n06.01.,5,6,7\n07.01.,6,7,8\n08.01.,7,8,9\n09.01.,8,9,10\n10.01.,9,10,11\n11.01.,10,11,12\n12.01.,11,12,13\n13.01.,12,13,14\n14.01.,13,14,15\n15.01.,14,15,16\n16.01.,15,16,17\n17.01.,16,17,18\n18.01.,17,18,19\n19.01.,18,19,20\n20.01.,19,20,21\n21.01.,20,21,22\n22.01.,21,22,23\n23.01.,22,23,24\n24.01.,23,24,25\n25.01.,24,25,26\n26.01.,25,26,27\n27.01.,26,27,28\n28.01.,27,28,29\n29.01.,28,29,30\n30.01.,29,30,31\n31.01.,30,31,32\n01.02.,31,32,33\n02.02.,32,33,34\n03.02.,33,34,35\n04.02.,34,35,36\n05.02.,35,36,37\n06.02.,36,37,38\n07.02.,37,38,39\n08.02.,38,39,40\n09.02.,39,40,41\n10.02.,40,41,42\n11.02.,41,42,43\n12.02.,42,43,44\n13.02.,43,44,45\n14.02.,44,45,46\n15.02.,45,46,47\n16.02.,46,47,48\n17.02.,47,48,49\n18.02.,48,49,50\n19.02.,49,50,51\n20.02.,50,51,52\n21.02.,51,52,53\n22.02.,52,53,54\n23.02.,53,54,55\n24.02.,54,55,56\n25.02.,55,56,57\n26.02.,56,57,58\n27.02.,57,58,59\n28.02.,58,59,60\n01.03.,59,60,61\n02.03.,60,61,62\n03.03.,61,62,63\n04.03.,62,63,64\n05.03.,63,64,65\n06.03.,64,65,66\n07.03.,65,66,67\n08.03.,66,67,68\n09.03.,67,68,69\n10.03.,68,69,70\n11.03.,69,70,71\n12.03.,70,71,72\n13.03.,71,72,73\n14.03.,72,73,74\n15.03.,73,74,75\n16.03.,74,75,76\n17.03.,75,76,77\n18.03.,76,77,78\n19.03.,77,78,79\n20.03.,78,79,80\n21.03.,79,80,81\n22.03.,80,81,82\n23.03.,81,82,83\n24.03.,82,83,84\n25.03.,83,84,85\n26.03.,84,85,86\n27.03.,85,86,87\n28.03.,86,87,88\n29.03.,87,88,89\n30.03.,88,89,90\n31.03.,89,90,91',
      {
        'monthly matrix': [['Series', '2019-01', [465, 1246, 2294, null, '27 values']]],
        notes: ['gathered', 'missing'],
        taken: ['frequency monthly', 'gather sum'],
      },
    ],
    'some months': [
      'Month,2019,2020,2021\nMay,5,6,7\nJun,6,7,8\nJul,7,8,9\nAug,8,9,10\nSep,4,5,6',
      { 'monthly matrix': [['Series', '2019-05', [5, 6, 7, 8, '29 values']]], notes: ['missing'] },
    ],
    'some months 2': [
      'Year,May,Jun,Jul,Aug\n2019,5,6,7,8\n2020,6,7,8,9\n2021,7,8,9,10',
      { 'monthly matrix': [['Series', '2019-05', [5, 6, 7, 8, '28 values']]], notes: ['missing'] },
    ],
  },
  calendars: {
    'iso w': [
      'week,Sales\n2020-W01,0\n2020-W02,1\n2020-W03,2\n2020-W04,3\n2020-W05,4\n2020-W06,5\n2020-W07,6\n2020-W08,7\n2020-W09,8\n2020-W10,9\n2020-W11,10\n2020-W12,11\n2020-W13,12\n2020-W14,13\n2020-W15,14\n2020-W16,15\n2020-W17,16\n2020-W18,17\n2020-W19,18\n2020-W20,19\n2020-W21,20\n2020-W22,21\n2020-W23,22\n2020-W24,23\n2020-W25,24\n2020-W26,25\n2020-W27,26\n2020-W28,27\n2020-W29,28\n2020-W30,29\n2020-W31,30\n2020-W32,31\n2020-W33,32\n2020-W34,33\n2020-W35,34\n2020-W36,35\n2020-W37,36\n2020-W38,37\n2020-W39,38\n2020-W40,39\n2020-W41,40\n2020-W42,41\n2020-W43,42\n2020-W44,43\n2020-W45,44\n2020-W46,45\n2020-W47,46\n2020-W48,47\n2020-W49,48\n2020-W50,49\n2020-W51,50\n2020-W52,51\n2020-W53,52\n2021-W01,53\n2021-W02,54\n2021-W03,55\n2021-W04,56\n2021-W05,57\n2021-W06,58\n2021-W07,59',
      {
        'monthly columns': [['Sales', '2020-01', [10, 26, 42, 75, '13 values']]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    'p 13': [
      'period,Sales\n2020 P01,10\n2020 P02,11\n2020 P03,12\n2020 P04,13\n2020 P05,14\n2020 P06,15\n2020 P07,16\n2020 P08,17\n2020 P09,18\n2020 P10,19\n2020 P11,20\n2020 P12,21\n2020 P13,22\n2021 P01,23\n2021 P02,24\n2021 P03,25\n2021 P04,26\n2021 P05,27\n2021 P06,28\n2021 P07,29\n2021 P08,30\n2021 P09,31\n2021 P10,32\n2021 P11,33\n2021 P12,34\n2021 P13,35',
      {
        'seasons columns': [['Sales', '2020-S1', [10, 11, 12, 13, '26 values']]],
        notes: [],
        taken: ['thirteenth season'],
      },
    ],
    'p 13cols': [
      'Year,P1,P2,P3,P4,P5,P6,P7,P8,P9,P10,P11,P12,P13\n2020,5,6,7,8,9,10,11,12,13,14,15,16,17\n2021,7,8,9,10,11,12,13,14,15,16,17,18,19',
      {
        'seasons matrix': [['Series', '2020-S1', [5, 6, 7, 8, '26 values']]],
        notes: [],
        taken: ['thirteenth season'],
      },
    ],
    'p 13two': [
      'Year,Period,Sales\n2020,1,10\n2020,2,11\n2020,3,12\n2020,4,13\n2020,5,14\n2020,6,15\n2020,7,16\n2020,8,17\n2020,9,18\n2020,10,19\n2020,11,20\n2020,12,21\n2020,13,22\n2021,1,23\n2021,2,24\n2021,3,25\n2021,4,26\n2021,5,27\n2021,6,28\n2021,7,29\n2021,8,30\n2021,9,31\n2021,10,32\n2021,11,33\n2021,12,34\n2021,13,35',
      {
        'seasons columns': [['Sales', '2020-S1', [10, 11, 12, 13, '26 values']]],
        notes: [],
        taken: ['thirteenth season'],
      },
    ],
    fq: [
      'period,Sales\nFY21 Q1,5\nFY21 Q2,6\nFY21 Q3,7\nFY21 Q4,8\nFY22 Q1,9',
      { asks: ['fiscal-start'] },
    ],
    'fq 2': [
      'period,Sales\nQ1 FY2021,5\nQ2 FY2021,6\nQ3 FY2021,7\nQ4 FY2021,8',
      { asks: ['fiscal-start'] },
    ],
    fy: [
      'Fiscal year,Quarter,Sales\nFY2020,Q1,5\nFY2020,Q2,6\nFY2020,Q3,7\nFY2020,Q4,8\nFY2021,Q1,9',
      { asks: ['fiscal-start'] },
    ],
    fyslash: [
      'Year,Sales\n2018/19,5\n2019/20,6\n2020/21,7',
      { 'yearly columns': [['Sales', '2019', [5, 6, 7]]], notes: ['fiscal-years'] },
    ],
    fyslashq: ['Year,Q1,Q2,Q3,Q4\n2018/19,5,6,7,8\n2019/20,6,7,8,9', { asks: ['fiscal-start'] }],
    weekly: [
      'week ending,Sales\n2021-01-03,5\n2021-01-10,6\n2021-01-17,7\n2021-01-24,8\n2021-01-31,9\n2021-02-07,10\n2021-02-14,11\n2021-02-21,12\n2021-02-28,13\n2021-03-07,14\n2021-03-14,15\n2021-03-21,16\n2021-03-28,17\n2021-04-04,18\n2021-04-11,19\n2021-04-18,20\n2021-04-25,21\n2021-05-02,22\n2021-05-09,23\n2021-05-16,24\n2021-05-23,25\n2021-05-30,26\n2021-06-06,27\n2021-06-13,28\n2021-06-20,29\n2021-06-27,30\n2021-07-04,31\n2021-07-11,32\n2021-07-18,33\n2021-07-25,34',
      {
        'monthly columns': [['Sales', '2021-01', [30, 46, 62, 100, 98, 114]]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    daily: [
      'date,Sales\n2021-01-03,5\n2021-01-04,6\n2021-01-05,7\n2021-01-06,8\n2021-01-07,9\n2021-01-08,10\n2021-01-09,11\n2021-01-10,12\n2021-01-11,13\n2021-01-12,14\n2021-01-13,15\n2021-01-14,16\n2021-01-15,17\n2021-01-16,18\n2021-01-17,19\n2021-01-18,20\n2021-01-19,21\n2021-01-20,22\n2021-01-21,23\n2021-01-22,24\n2021-01-23,25\n2021-01-24,26\n2021-01-25,27\n2021-01-26,28\n2021-01-27,29\n2021-01-28,30\n2021-01-29,31\n2021-01-30,32\n2021-01-31,33\n2021-02-01,34\n2021-02-02,35\n2021-02-03,36\n2021-02-04,37\n2021-02-05,38\n2021-02-06,39\n2021-02-07,40\n2021-02-08,41\n2021-02-09,42\n2021-02-10,43\n2021-02-11,44\n2021-02-12,45\n2021-02-13,46\n2021-02-14,47\n2021-02-15,48\n2021-02-16,49\n2021-02-17,50\n2021-02-18,51\n2021-02-19,52\n2021-02-20,53\n2021-02-21,54\n2021-02-22,55\n2021-02-23,56\n2021-02-24,57\n2021-02-25,58\n2021-02-26,59\n2021-02-27,60\n2021-02-28,61\n2021-03-01,62\n2021-03-02,63\n2021-03-03,64\n2021-03-04,65\n2021-03-05,66\n2021-03-06,67\n2021-03-07,68\n2021-03-08,69\n2021-03-09,70\n2021-03-10,71\n2021-03-11,72\n2021-03-12,73\n2021-03-13,74\n2021-03-14,75\n2021-03-15,76\n2021-03-16,77\n2021-03-17,78\n2021-03-18,79\n2021-03-19,80\n2021-03-20,81\n2021-03-21,82\n2021-03-22,83\n2021-03-23,84',
      {
        'monthly columns': [['Sales', '2021-02', [1330]]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
  },
  numbers: {
    brk: [
      'month,Sales\n2021-01,$5\n2021-02,$(7.50)\n2021-03,($2.00)\n2021-04,-$3',
      { 'monthly columns': [['Sales [$]', '2021-01', [5, -7.5, -2, -3]]], notes: [] },
    ],
    codecol: [
      'month,Sales,,\n2021-01,$,5\n2021-02,$,7\n2021-03,$,9',
      { 'monthly columns': [['Sales [$]', '2021-01', [5, 7, 9]]], notes: [] },
    ],
    'codecol 2': [
      'month,currency,amount\n2021-01,EUR,5\n2021-02,EUR,7\n2021-03,EUR,9',
      { 'monthly columns': [['amount [EUR]', '2021-01', [5, 7, 9]]], notes: [] },
    ],
    'codecol 3': [
      'month,,Sales,\n2021-01,€,5,EUR\n2021-02,€,7,EUR\n2021-03,€,9,EUR',
      { 'monthly columns': [['Sales [€]', '2021-01', [5, 7, 9]]], notes: ['ignored-columns'] },
    ],
    indian: [
      'month,Sales\n2021-01,"12,34,567"\n2021-02,"1,23,456"\n2021-03,"10,00,000"',
      { 'monthly columns': [['Sales', '2021-01', [1234567, 123456, 1000000]]], notes: [] },
    ],
    'indian 2': [
      'month,Sales\n2021-01,"₹ 12,34,567.50"\n2021-02,"₹ 1,23,456.00"',
      { 'monthly columns': [['Sales [₹]', '2021-01', [1234567.5, 123456]]], notes: [] },
    ],
    k: [
      'month,Sales\n2021-01,1.2k\n2021-02,1.3k\n2021-03,980',
      {
        'monthly columns': [['Sales', '2021-01', [1200, 1300, 980]]],
        notes: ['multiples'],
        taken: ['multiples multiply'],
      },
    ],
    m: [
      'month,Sales\n2021-01,1.2M\n2021-02,1.3M\n2021-03,950k',
      {
        'monthly columns': [['Sales', '2021-01', [1200000, 1300000, 950000]]],
        notes: ['multiples'],
        taken: ['multiples multiply'],
      },
    ],
    thousand: [
      'month,Sales\n2021-01,1.2 thousand\n2021-02,1.3 thousand',
      {
        'monthly columns': [['Sales', '2021-01', [1200, 1300]]],
        notes: ['multiples'],
        taken: ['multiples multiply'],
      },
    ],
    'head thousand': [
      'month,Sales (thousand litres)\n2021-01,1.2\n2021-02,1.3',
      { 'monthly columns': [['Sales [thousand litres]', '2021-01', [1.2, 1.3]]], notes: [] },
    ],
    marks: [
      'month,Sales\n2021-01,50\n2021-02,60p\n2021-03,70 r\n2021-04,80*\n2021-05,90¹',
      { 'monthly columns': [['Sales', '2021-01', [50, 60, 70, 80, 90]]], notes: ['marks'] },
    ],
    'marks 2': [
      'month,Sales\n2021-01,50\n2021-02,60 (p)\n2021-03,70[1]\n2021-04,e80',
      { asks: ['unread-values'] },
    ],
    exp: [
      'month,Sales\n2021-01,1.5E3\n2021-02,2e+03\n2021-03,1.25E+04',
      { 'monthly columns': [['Sales', '2021-01', [1500, 2000, 12500]]], notes: [] },
    ],
    switch: [
      'month;Sales\n2021-01;1,5\n2021-02;2,5\n2021-03;3.5\n2021-04;4.5',
      {
        'monthly columns': [['Sales', '2021-01', [1.5, 2.5, 3.5, 4.5]]],
        notes: ['mixed-marks'],
        taken: ['mixed-marks each'],
      },
    ],
    'switch 2': [
      'month;Sales\n2021-01;1.200,50\n2021-02;2.200,50\n2021-03;3.200,50\n2021-04;4.200,50\n2021-05;5.200,50\n2021-06;6.200,50\n2021-07;7,200.50\n2021-08;8,200.50\n2021-09;9,200.50\n2021-10;10,200.50\n2021-11;11,200.50\n2021-12;12,200.50',
      {
        'monthly columns': [['Sales', '2021-01', [1200.5, 2200.5, 3200.5, 4200.5, '12 values']]],
        notes: ['mixed-marks'],
        taken: ['mixed-marks each'],
      },
    ],
    hex: ['month,Sales\n2021-01,0x1F\n2021-02,20\n2021-03,30', { asks: ['unread-values'] }],
    inf: [
      'month,Sales\n2021-01,inf\n2021-02,20\n2021-03,30',
      {
        'monthly columns': [['Sales', '2021-02', [20, 30]]],
        notes: ['unread-values'],
        taken: ['unread-values missing'],
      },
    ],
    dash: [
      'month,Sales\n2021-01,5\n2021-02,-\n2021-03,7\n2021-04,0\n2021-05,-',
      { 'monthly columns': [['Sales', '2021-01', [5, null, 7, 0]]], notes: ['missing'] },
    ],
    'dash acc': [
      'month,Sales\n2021-01,"1,205.00"\n2021-02,-\n2021-03,"1,007.50"\n2021-04,-\n2021-05,"1,100.00"',
      { asks: ['dash'] },
    ],
    amb: ['month;Sales\n2021-01;1,234\n2021-02;2,345\n2021-03;99', { asks: ['decimal'] }],
    'below a thousand': [
      'month;Sales\n2021-01;1,234\n2021-02;2,345\n2021-03;999',
      {
        'monthly columns': [['Sales', '2021-01', [1234, 2345, 999]]],
        notes: [],
        taken: ['decimal point'],
      },
    ],
    'amb 2': ['month;Sales\n2021-01;1.234\n2021-02;2.345\n2021-03;10.999', { asks: ['decimal'] }],
    'amb 3': [
      'month;Sales\n2021-01;0.234\n2021-02;0.345\n2021-03;1.999',
      { 'monthly columns': [['Sales', '2021-01', [0.234, 0.345, 1.999]]], notes: [] },
    ],
    'amb 4': [
      'month;Sales\n2021-01;1.234\n2021-02;1.234.567\n2021-03;999',
      { 'monthly columns': [['Sales', '2021-01', [1234, 1234567, 999]]], notes: [] },
    ],
    pct: [
      'month,Rate\n2021-01,5%\n2021-02,7%',
      { 'monthly columns': [['Rate [%]', '2021-01', [5, 7]]], notes: [] },
    ],
    spaces: [
      'month;Sales\n2021-01;1 234\n2021-02;2 345',
      { 'monthly columns': [['Sales', '2021-01', [1234, 2345]]], notes: [] },
    ],
    quote: [
      "month,Sales\n2021-01,'50\n2021-02,'60\n2021-03,'70",
      { 'monthly columns': [['Sales', '2021-01', [50, 60, 70]]], notes: [] },
    ],
    cur: [
      'month,Sales\n2021-01,"EUR 1,234.50"\n2021-02,"EUR 2,000.00"',
      { 'monthly columns': [['Sales [EUR]', '2021-01', [1234.5, 2000]]], notes: [] },
    ],
    neg: [
      'month,Sales\n2021-01,50 CR\n2021-02,60 DR\n2021-03,70 CR',
      { refused: '"Sales" is counted in CR and in DR; a series has one unit.' },
    ],
    approx: ['month,Sales\n2021-01,~50\n2021-02,60\n2021-03,70', { asks: ['unread-values'] }],
    lt: ['month,Sales\n2021-01,<5\n2021-02,60\n2021-03,70', { asks: ['unread-values'] }],
  },
  'headings and keys': {
    two: [
      ',North,,South,\nmonth,Units,Value,Units,Value\n2021-01,1,10,2,20\n2021-02,3,30,4,40',
      {
        'monthly columns': [
          ['North · Units', '2021-01', [1, 3]],
          ['North · Value', '2021-01', [10, 30]],
          ['South · Units', '2021-01', [2, 4]],
          ['South · Value', '2021-01', [20, 40]],
        ],
        notes: [],
      },
    ],
    'two rep': [
      'month,North,North,South,South\n,Units,Value,Units,Value\n2021-01,1,10,2,20\n2021-02,3,30,4,40',
      {
        'monthly columns': [
          ['North · Units', '2021-01', [1, 3]],
          ['North · Value', '2021-01', [10, 30]],
          ['South · Units', '2021-01', [2, 4]],
          ['South · Value', '2021-01', [20, 40]],
        ],
        notes: [],
      },
    ],
    units: [
      'month,Sales,Returns\n,litres,pieces\n2021-01,1,10\n2021-02,3,30',
      {
        'monthly columns': [
          ['Sales [litres]', '2021-01', [1, 3]],
          ['Returns [pieces]', '2021-01', [10, 30]],
        ],
        notes: [],
      },
    ],
    'units 2': [
      'month,Sales,Returns\n,(litres),(€)\n2021-01,1,10\n2021-02,3,30',
      {
        'monthly columns': [
          ['Sales [litres]', '2021-01', [1, 3]],
          ['Returns [€]', '2021-01', [10, 30]],
        ],
        notes: [],
      },
    ],
    'keys 2': [
      'region,product,month,Sales\nNorth,Paint,2021-01,1\nNorth,Primer,2021-01,2\nSouth,Paint,2021-01,3\nSouth,Primer,2021-01,4\nNorth,Paint,2021-02,5\nNorth,Primer,2021-02,6\nSouth,Paint,2021-02,7\nSouth,Primer,2021-02,8',
      {
        'monthly long': [
          ['North · Paint', '2021-01', [1, 5]],
          ['North · Primer', '2021-01', [2, 6]],
          ['South · Paint', '2021-01', [3, 7]],
          ['South · Primer', '2021-01', [4, 8]],
        ],
        notes: [],
      },
    ],
    'key first': [
      'region,month,Sales\nNorth,2021-01,1\n,2021-02,2\n,2021-03,3\nSouth,2021-01,4\n,2021-02,5\n,2021-03,6',
      {
        'monthly long': [
          ['North', '2021-01', [1, 2, 3]],
          ['South', '2021-01', [4, 5, 6]],
        ],
        notes: [],
      },
    ],
    'key first gap': [
      'region\tmonth\tSales\nNorth\t2021-01\t1\n\t2021-02\t2\n\nSouth\t2021-01\t4\n\t2021-02\t5',
      {
        'monthly long': [
          ['North', '2021-01', [1, 2]],
          ['South', '2021-01', [4, 5]],
        ],
        notes: [],
      },
    ],
    'same twice': [
      'month,Sales,Sales\n2021-01,1,10\n2021-02,3,30',
      {
        'monthly columns': [
          ['Sales, column 2', '2021-01', [1, 3]],
          ['Sales, column 3', '2021-01', [10, 30]],
        ],
        notes: ['same-name'],
      },
    ],
    spelt: [
      'month,region,Sales\n2021-01,North,1\n2021-01,South,2\n2021-02,north,3\n2021-02,South,4\n2021-03,North ,5\n2021-03,South,6',
      { asks: ['spelling'] },
    ],
    'spelt 2': [
      'month,region,Sales\n2021-01,North,0\n2021-01,South,9\n2021-02,North,1\n2021-02,South,10\n2021-03,North,2\n2021-03,South,11\n2021-04,Nort,3\n2021-04,South,12\n2021-05,North,4\n2021-05,South,13\n2021-06,North,5\n2021-06,South,14',
      { asks: ['spelling'] },
    ],
    brackets: [
      'month,Paint (white),Paint (blue)\n2021-01,1,10\n2021-02,3,30',
      {
        'monthly columns': [
          ['Paint (white)', '2021-01', [1, 3]],
          ['Paint (blue)', '2021-01', [10, 30]],
        ],
        notes: [],
      },
    ],
    'brackets 2': [
      'month,Sales (2019 method)\n2021-01,1\n2021-02,3',
      { 'monthly columns': [['Sales (2019 method)', '2021-01', [1, 3]]], notes: [] },
    ],
    'brackets 3': [
      'month,Sales (new)\n2021-01,1\n2021-02,3',
      { 'monthly columns': [['Sales (new)', '2021-01', [1, 3]]], notes: [] },
    ],
    formula: [
      'month,=SUM(A),+b,@c\n2021-01,1,2,3\n2021-02,3,4,5',
      {
        'monthly columns': [
          ['=SUM(A)', '2021-01', [1, 3]],
          ['+b', '2021-01', [2, 4]],
          ['@c', '2021-01', [3, 5]],
        ],
        notes: [],
      },
    ],
    'crosstab top': [
      'Sales by region\nregion,2021-01,2021-02,2021-03\nNorth,1,2,3\nSouth,4,5,6\nTotal,5,7,9',
      {
        'monthly across': [
          ['North', '2021-01', [1, 2, 3]],
          ['South', '2021-01', [4, 5, 6]],
        ],
        notes: ['across', 'no-values'],
      },
    ],
    'across ym': [
      ',2020,,,,2021,,\nregion,Q1,Q2,Q3,Q4,Q1,Q2,Q3\nNorth,1,2,3,4,5,6,7\nSouth,4,5,6,7,8,9,10',
      {
        'quarterly across': [
          ['North', '2020-Q1', [1, 2, 3, 4, 5, 6, 7]],
          ['South', '2020-Q1', [4, 5, 6, 7, 8, 9, 10]],
        ],
        notes: ['across'],
      },
    ],
    'across ym2': [
      'region,2020,2020,2020,2020,2021,2021\n,Q1,Q2,Q3,Q4,Q1,Q2\nNorth,1,2,3,4,5,6\nSouth,4,5,6,7,8,9',
      {
        'quarterly across': [
          ['North', '2020-Q1', [1, 2, 3, 4, 5, 6]],
          ['South', '2020-Q1', [4, 5, 6, 7, 8, 9]],
        ],
        notes: ['across', 'no-values'],
      },
    ],
    'across keys': [
      'region,product,Jan 2021,Feb 2021,Mar 2021\nNorth,Paint,1,2,3\nNorth,Primer,4,5,6\nSouth,Paint,7,8,9',
      {
        'monthly across': [
          ['North · Paint', '2021-01', [1, 2, 3]],
          ['North · Primer', '2021-01', [4, 5, 6]],
          ['South · Paint', '2021-01', [7, 8, 9]],
        ],
        notes: ['across'],
      },
    ],
    'across years': [
      'product,2019,2020,2021\nPaint,1,2,3\nPrimer,4,5,6',
      {
        'yearly across': [
          ['Paint', '2019', [1, 2, 3]],
          ['Primer', '2019', [4, 5, 6]],
        ],
        notes: ['across'],
      },
    ],
    'across metric': [
      'metric,unit,2021-01,2021-02,2021-03\nSales,litres,1,2,3\nReturns,pieces,4,5,6',
      {
        'monthly across': [
          ['Sales [litres]', '2021-01', [1, 2, 3]],
          ['Returns [pieces]', '2021-01', [4, 5, 6]],
        ],
        notes: ['across'],
      },
    ],
  },
  'totals and remarks': {
    subt: [
      'month,region,Sales\n2021-01,North,1\n2021-01,South,2\n2021-01,Total,3\n2021-02,North,3\n2021-02,South,4\n2021-02,Total,7',
      {
        'monthly long': [
          ['North', '2021-01', [1, 3]],
          ['South', '2021-01', [2, 4]],
        ],
        notes: ['total-rows'],
      },
    ],
    'year row': [
      'month,Sales\n2021-01,1\n2021-02,2\n2021-03,3\n2021-04,4\n2021-05,5\n2021-06,6\n2021-07,7\n2021-08,8\n2021-09,9\n2021-10,10\n2021-11,11\n2021-12,12\n2021,78\n2022-01,2\n2022-02,3\n2022-03,4\n2022-04,5\n2022-05,6\n2022-06,7\n2022-07,8\n2022-08,9\n2022-09,10\n2022-10,11\n2022-11,12\n2022-12,13\n2022,90',
      {
        'monthly columns': [['Sales', '2021-01', [1, 2, 3, 4, '24 values']]],
        notes: ['total-rows'],
      },
    ],
    'year tot': [
      'month,Sales\n2021-01,1\n2021-02,2\n2021-03,3\n2021-04,4\n2021-05,5\n2021-06,6\n2021-07,7\n2021-08,8\n2021-09,9\n2021-10,10\n2021-11,11\n2021-12,12\nTotal 2021,78\n2022-01,2\n2022-02,3\n2022-03,4\n2022-04,5\n2022-05,6\n2022-06,7\n2022-07,8\n2022-08,9\n2022-09,10\n2022-10,11\n2022-11,12\n2022-12,13\nTotal 2022,90',
      {
        'monthly columns': [['Sales', '2021-01', [1, 2, 3, 4, '24 values']]],
        notes: ['total-rows'],
      },
    ],
    'q sub': [
      'month,Sales\n2021-01,1\n2021-02,2\n2021-03,3\nQ1 2021,6\n2021-04,2\n2021-05,3\n2021-06,4\nQ2 2021,9',
      { 'monthly columns': [['Sales', '2021-01', [1, 2, 3, 2, 3, 4]]], notes: ['total-rows'] },
    ],
    comments: [
      '# exported from the till\n# 3 shops\nmonth,Sales\n2021-01,5\n# strike\n2021-02,7\n2021-03,8',
      { 'monthly columns': [['Sales', '2021-01', [5, 7, 8]]], notes: ['title-rows', 'note-rows'] },
    ],
    foot: [
      'month,Sales\n2021-01,5\n2021-02,7\n2021-03,8\n\n* provisional\n1) Source: own count',
      { 'monthly columns': [['Sales', '2021-01', [5, 7, 8]]], notes: ['note-rows'] },
    ],
    'foot num': [
      'month,Sales\n2021-01,5\n2021-02,7\n2021-03,8\nCount,3\nAverage,6.67',
      { 'monthly columns': [['Sales', '2021-01', [5, 7, 8]]], notes: ['total-rows'] },
    ],
    'tot col': [
      'month,North,South,All\n2021-01,1,2,3\n2021-02,3,4,7\n2021-03,5,6,11',
      {
        'monthly columns': [
          ['North', '2021-01', [1, 3, 5]],
          ['South', '2021-01', [2, 4, 6]],
        ],
        notes: ['total-columns'],
      },
    ],
    'tot col row': [
      'region,2021-01,2021-02,2021-03,Total\nNorth,1,2,3,6\nSouth,4,5,6,15\nTotal,5,7,9,21',
      {
        'monthly across': [
          ['North', '2021-01', [1, 2, 3]],
          ['South', '2021-01', [4, 5, 6]],
        ],
        notes: ['across'],
      },
    ],
    'matrix avg': [
      'Year,Q1,Q2,Q3,Q4,Total,Average\n2019,1,2,3,4,10,2.5\n2020,2,3,4,5,14,3.5\nAverage,1.5,2.5,3.5,4.5,12,3',
      {
        'quarterly matrix': [['Series', '2019-Q1', [1, 2, 3, 4, 2, 3, 4, 5]]],
        notes: ['total-rows', 'total-columns', 'total-columns'],
      },
    ],
    'long total key': [
      'month,shop,Sales\n2021-01,A,0\n2021-01,B,3\n2021-01,All shops,3\n2021-02,A,1\n2021-02,B,4\n2021-02,All shops,5\n2021-03,A,2\n2021-03,B,5\n2021-03,All shops,7\n2021-04,A,3\n2021-04,B,6\n2021-04,All shops,9\n2021-05,A,4\n2021-05,B,7\n2021-05,All shops,11\n2021-06,A,5\n2021-06,B,8\n2021-06,All shops,13',
      {
        'monthly long': [
          ['A', '2021-01', [0, 1, 2, 3, 4, 5]],
          ['B', '2021-01', [3, 4, 5, 6, 7, 8]],
        ],
        notes: ['total-series'],
      },
    ],
  },
  'receipts, events and levels': {
    temp: [
      'date,temperature\n2021-01-01,10.0\n2021-01-02,10.6\n2021-01-03,11.1\n2021-01-04,11.6\n2021-01-05,12.1\n2021-01-06,12.6\n2021-01-07,13.1\n2021-01-08,13.5\n2021-01-09,13.9\n2021-01-10,14.2\n2021-01-11,14.5\n2021-01-12,14.7\n2021-01-13,14.9\n2021-01-14,15.0\n2021-01-15,15.0\n2021-01-16,15.0\n2021-01-17,14.9\n2021-01-18,14.7\n2021-01-19,14.5\n2021-01-20,14.3\n2021-01-21,14.0\n2021-01-22,13.6\n2021-01-23,13.2\n2021-01-24,12.8\n2021-01-25,12.3\n2021-01-26,11.8\n2021-01-27,11.3\n2021-01-28,10.7\n2021-01-29,10.2\n2021-01-30,9.6\n2021-01-31,9.0\n2021-02-01,8.5\n2021-02-02,8.0\n2021-02-03,7.5\n2021-02-04,7.0\n2021-02-05,6.6\n2021-02-06,6.2\n2021-02-07,5.9\n2021-02-08,5.6\n2021-02-09,5.4\n2021-02-10,5.2\n2021-02-11,5.1\n2021-02-12,5.0\n2021-02-13,5.0\n2021-02-14,5.1\n2021-02-15,5.2\n2021-02-16,5.4\n2021-02-17,5.6\n2021-02-18,5.9\n2021-02-19,6.3\n2021-02-20,6.7\n2021-02-21,7.1\n2021-02-22,7.6\n2021-02-23,8.1\n2021-02-24,8.6\n2021-02-25,9.1\n2021-02-26,9.7\n2021-02-27,10.3\n2021-02-28,10.8\n2021-03-01,11.3\n2021-03-02,11.9\n2021-03-03,12.4\n2021-03-04,12.8\n2021-03-05,13.3\n2021-03-06,13.7\n2021-03-07,14.0\n2021-03-08,14.3\n2021-03-09,14.6\n2021-03-10,14.8\n2021-03-11,14.9\n2021-03-12,15.0\n2021-03-13,15.0\n2021-03-14,14.9\n2021-03-15,14.8\n2021-03-16,14.7\n2021-03-17,14.4\n2021-03-18,14.2\n2021-03-19,13.8\n2021-03-20,13.4\n2021-03-21,13.0\n2021-03-22,12.6\n2021-03-23,12.1\n2021-03-24,11.5\n2021-03-25,11.0\n2021-03-26,10.5\n2021-03-27,9.9\n2021-03-28,9.3\n2021-03-29,8.8\n2021-03-30,8.3\n2021-03-31,7.8',
      {
        'monthly columns': [
          ['temperature', '2021-01', [12.861290322580647, 6.875, 12.677419354838712]],
        ],
        notes: ['gathered'],
        taken: ['frequency monthly', 'gather mean'],
      },
    ],
    stock: [
      'date,Stock level\n2021-01-01,500\n2021-01-02,499\n2021-01-03,498\n2021-01-04,497\n2021-01-05,496\n2021-01-06,495\n2021-01-07,494\n2021-01-08,493\n2021-01-09,492\n2021-01-10,491\n2021-01-11,490\n2021-01-12,489\n2021-01-13,488\n2021-01-14,487\n2021-01-15,486\n2021-01-16,485\n2021-01-17,484\n2021-01-18,483\n2021-01-19,482\n2021-01-20,481\n2021-01-21,480\n2021-01-22,479\n2021-01-23,478\n2021-01-24,477\n2021-01-25,476\n2021-01-26,475\n2021-01-27,474\n2021-01-28,473\n2021-01-29,472\n2021-01-30,471\n2021-01-31,470\n2021-02-01,469\n2021-02-02,468\n2021-02-03,467\n2021-02-04,466\n2021-02-05,465\n2021-02-06,464\n2021-02-07,463\n2021-02-08,462\n2021-02-09,461\n2021-02-10,460\n2021-02-11,459\n2021-02-12,458\n2021-02-13,457\n2021-02-14,456\n2021-02-15,455\n2021-02-16,454\n2021-02-17,453\n2021-02-18,452\n2021-02-19,451\n2021-02-20,450\n2021-02-21,449\n2021-02-22,448\n2021-02-23,447\n2021-02-24,446\n2021-02-25,445\n2021-02-26,444\n2021-02-27,443\n2021-02-28,442\n2021-03-01,441\n2021-03-02,440\n2021-03-03,439\n2021-03-04,438\n2021-03-05,437\n2021-03-06,436\n2021-03-07,435\n2021-03-08,434\n2021-03-09,433\n2021-03-10,432\n2021-03-11,431\n2021-03-12,430\n2021-03-13,429\n2021-03-14,428\n2021-03-15,427\n2021-03-16,426\n2021-03-17,425\n2021-03-18,424\n2021-03-19,423\n2021-03-20,422\n2021-03-21,421\n2021-03-22,420\n2021-03-23,419\n2021-03-24,418\n2021-03-25,417\n2021-03-26,416\n2021-03-27,415\n2021-03-28,414\n2021-03-29,413\n2021-03-30,412\n2021-03-31,411',
      {
        'monthly columns': [['Stock level', '2021-01', [470, 442, 411]]],
        notes: ['gathered'],
        taken: ['frequency monthly', 'gather last'],
      },
    ],
    sales: [
      'date,Sales\n2021-01-01,0\n2021-01-02,14\n2021-01-03,5\n2021-01-04,19\n2021-01-05,10\n2021-01-06,1\n2021-01-07,15\n2021-01-08,6\n2021-01-09,20\n2021-01-10,11\n2021-01-11,2\n2021-01-12,16\n2021-01-13,7\n2021-01-14,21\n2021-01-15,12\n2021-01-16,3\n2021-01-17,17\n2021-01-18,8\n2021-01-19,22\n2021-01-20,13\n2021-01-21,4\n2021-01-22,18\n2021-01-23,9\n2021-01-24,0\n2021-01-25,14\n2021-01-26,5\n2021-01-27,19\n2021-01-28,10\n2021-01-29,1\n2021-01-30,15\n2021-01-31,6\n2021-02-01,20\n2021-02-02,11\n2021-02-03,2\n2021-02-04,16\n2021-02-05,7\n2021-02-06,21\n2021-02-07,12\n2021-02-08,3\n2021-02-09,17\n2021-02-10,8\n2021-02-11,22\n2021-02-12,13\n2021-02-13,4\n2021-02-14,18\n2021-02-15,9\n2021-02-16,0\n2021-02-17,14\n2021-02-18,5\n2021-02-19,19\n2021-02-20,10\n2021-02-21,1\n2021-02-22,15\n2021-02-23,6\n2021-02-24,20\n2021-02-25,11\n2021-02-26,2\n2021-02-27,16\n2021-02-28,7\n2021-03-01,21\n2021-03-02,12\n2021-03-03,3\n2021-03-04,17\n2021-03-05,8\n2021-03-06,22\n2021-03-07,13\n2021-03-08,4\n2021-03-09,18\n2021-03-10,9\n2021-03-11,0\n2021-03-12,14\n2021-03-13,5\n2021-03-14,19\n2021-03-15,10\n2021-03-16,1\n2021-03-17,15\n2021-03-18,6\n2021-03-19,20\n2021-03-20,11\n2021-03-21,2\n2021-03-22,16\n2021-03-23,7\n2021-03-24,21\n2021-03-25,12\n2021-03-26,3\n2021-03-27,17\n2021-03-28,8\n2021-03-29,22\n2021-03-30,13\n2021-03-31,4',
      {
        'monthly columns': [['Sales', '2021-01', [323, 309, 353]]],
        notes: ['gathered'],
        taken: ['frequency monthly', 'gather sum'],
      },
    ],
    dups: ['month,Stock\n2021-01,50\n2021-01,60\n2021-02,70', { asks: ['duplicates'] }],
    'many rows': [
      'id,date,amount\n1000,2021-01-01,0\n1001,2021-01-04,14\n1002,2021-01-07,5\n1003,2021-01-10,19\n1004,2021-01-13,10\n1005,2021-01-16,1\n1006,2021-01-19,15\n1007,2021-01-22,6\n1008,2021-01-25,20\n1009,2021-01-28,11\n1010,2021-01-31,2\n1011,2021-02-03,16\n1012,2021-02-06,7\n1013,2021-02-09,21\n1014,2021-02-12,12\n1015,2021-02-15,3\n1016,2021-02-18,17\n1017,2021-02-21,8\n1018,2021-02-24,22\n1019,2021-02-27,13\n1020,2021-03-02,4\n1021,2021-03-05,18\n1022,2021-03-08,9\n1023,2021-03-11,0\n1024,2021-03-14,14\n1025,2021-03-17,5\n1026,2021-03-20,19\n1027,2021-03-23,10\n1028,2021-03-26,1\n1029,2021-03-29,15\n1030,2021-04-01,6\n1031,2021-04-04,20\n1032,2021-04-07,11\n1033,2021-04-10,2\n1034,2021-04-13,16\n1035,2021-04-16,7\n1036,2021-04-19,21\n1037,2021-04-22,12\n1038,2021-04-25,3\n1039,2021-04-28,17',
      {
        'monthly columns': [['amount', '2021-01', [103, 119, 95, 115]]],
        notes: ['ignored-columns', 'gathered'],
        taken: ['frequency monthly', 'gather sum'],
      },
    ],
  },
  refusals: {
    empty: ['', { refused: 'The file is empty.' }],
    blank: ['\n\n  \n\t\n', { refused: 'The file has blank lines and nothing else.' }],
    heads: ['month,Sales', { refused: 'There are headings and no rows below them.' }],
    onerow: [
      'month,Sales\n2021-01,5',
      { refused: 'There is one row of figures; a series has two periods at lea' },
    ],
    noperiod: [
      'region,Sales\nNorth,5\nSouth,6\nWest,7',
      { refused: 'There is no column of periods: "region" holds names. Rows mu' },
    ],
    novalue: [
      'month,remark\n2021-01,flood\n2021-02,none\n2021-03,x',
      { refused: 'There are periods, but no column of values beside them.' },
    ],
    html: [
      '<!DOCTYPE html><html><body><table><tr><td>month</td></tr></table></body></html>',
      { refused: 'This is a web page, whatever its name says. Open it, and sav' },
    ],
    'html 2': [
      '<html xmlns:x="urn"><table><tr><td>2021-01</td><td>5</td></tr></table></html>',
      { refused: 'This is a web page, whatever its name says. Open it, and sav' },
    ],
    xml: [
      '<?xml version="1.0"?><rows><row/></rows>',
      { refused: 'This is XML, which is not read here. Save the table as XLSX,' },
    ],
    gif: [
      'GIF89a....',
      { refused: 'This is a picture, which is not read here. Save the table as' },
    ],
    json: ['{"a":1}', { refused: 'There is one row of figures; a series has two periods at lea' }],
    'json empty': ['[]', { refused: 'There are headings and no rows below them.' }],
    'dates 31': [
      'date,Sales\n31/01/2021,5\n01/02/2021,6\n01/03/2021,7',
      {
        'monthly columns': [['Sales', '2021-01', [5, 6, 7]]],
        notes: [],
        taken: ['dates day-first'],
      },
    ],
  },
  'shapes of other files': {
    'decimal comma comma': [
      'month,Sales\n2021-01,1,5\n2021-02,2,5\n2021-03,3,25',
      { asks: ['split-cells'] },
    ],
    shifted: [
      'Sales,Returns\n2021-01,5,1\n2021-02,6,2\n2021-03,7,1',
      {
        'monthly columns': [
          ['Sales', '2021-01', [5, 6, 7]],
          ['Returns', '2021-01', [1, 2, 1]],
        ],
        notes: ['headings-shifted'],
      },
    ],
    'merged key matrix': [
      'Region,Year,Jan,Feb,Mar,Apr,May,Jun,Jul,Aug,Sep,Oct,Nov,Dec\nNorth,2020,1,2,3,4,5,6,7,8,9,10,11,12\n,2021,2,3,4,5,6,7,8,9,10,11,12,13\nSouth,2020,1,2,3,4,5,6,7,8,9,10,11,14\n,2021,2,3,4,5,6,7,8,9,10,11,12,15',
      {
        'monthly matrix': [
          ['North', '2020-01', [1, 2, 3, 4, '24 values']],
          ['South', '2020-01', [1, 2, 3, 4, '24 values']],
        ],
        notes: [],
      },
    ],
    'metric long': [
      'month,metric,value\n2021-01,price,5.5\n2021-01,units,600\n2021-02,price,7\n2021-02,units,800',
      {
        'monthly long': [
          ['price', '2021-01', [5.5, 7]],
          ['units', '2021-01', [600, 800]],
        ],
        notes: [],
      },
    ],
    'year month names': [
      'Year,Month,Sales\n2021,Jan,5\n2021,Feb,6\n2021,Mar,7\n,Apr,8',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7, 8]]], notes: [] },
    ],
    'year row blocks': [
      'Month,Sales\n2020,\nJan,5\nFeb,6\nMar,7\n2021,\nJan,8\nFeb,9\nMar,10',
      {
        'monthly columns': [['Sales', '2020-01', [5, 6, 7, null, '15 values']]],
        notes: ['title-rows', 'note-rows', 'missing'],
      },
    ],
    'months only': [
      'Month,Sales\nJan,5\nFeb,6\nMar,7\nApr,8\nMay,9\nJun,9\nJul,7\nAug,7\nSep,7\nOct,7\nNov,8\nDec,9',
      { asks: ['start'] },
    ],
    'day numbers': [
      'year,month,day,Sales\n2021,1,1,3\n2021,1,2,4\n2021,1,3,5\n2021,1,4,6\n2021,1,5,7\n2021,1,6,8\n2021,1,7,9\n2021,1,8,10\n2021,1,9,11\n2021,1,10,12\n2021,1,11,13\n2021,1,12,14\n2021,1,13,15\n2021,1,14,16\n2021,1,15,17\n2021,1,16,18\n2021,1,17,19\n2021,1,18,20\n2021,1,19,21\n2021,1,20,22\n2021,1,21,23\n2021,1,22,24\n2021,1,23,25\n2021,1,24,26\n2021,1,25,27\n2021,1,26,28\n2021,1,27,29\n2021,1,28,30\n2021,1,29,31\n2021,1,30,32\n2021,1,31,33\n2021,2,1,34\n2021,2,2,35\n2021,2,3,36\n2021,2,4,37\n2021,2,5,38\n2021,2,6,39\n2021,2,7,40\n2021,2,8,41\n2021,2,9,42\n2021,2,10,43\n2021,2,11,44\n2021,2,12,45\n2021,2,13,46\n2021,2,14,47\n2021,2,15,48\n2021,2,16,49\n2021,2,17,50\n2021,2,18,51\n2021,2,19,52\n2021,2,20,53\n2021,2,21,54\n2021,2,22,55\n2021,2,23,56\n2021,2,24,57\n2021,2,25,58\n2021,2,26,59\n2021,2,27,60\n2021,2,28,61\n2021,3,1,62\n2021,3,2,63\n2021,3,3,64\n2021,3,4,65\n2021,3,5,66\n2021,3,6,67\n2021,3,7,68\n2021,3,8,69\n2021,3,9,70\n2021,3,10,71\n2021,3,11,72\n2021,3,12,73\n2021,3,13,74\n2021,3,14,75\n2021,3,15,76\n2021,3,16,77\n2021,3,17,78\n2021,3,18,79\n2021,3,19,80\n2021,3,20,81\n2021,3,21,82',
      {
        'monthly columns': [['Sales', '2021-01', [558, 1330]]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    'week ending': [
      'Week ending,Units\n1/8/2021,5\n1/15/2021,6\n1/22/2021,7\n1/29/2021,8\n2/5/2021,9\n2/12/2021,10\n2/19/2021,11\n2/26/2021,12\n3/5/2021,13\n3/12/2021,14\n3/19/2021,15\n3/26/2021,16\n4/2/2021,17\n4/9/2021,18\n4/16/2021,19\n4/23/2021,20\n4/30/2021,21\n5/7/2021,22\n5/14/2021,23\n5/21/2021,24',
      {
        'monthly columns': [['Units', '2021-01', [26, 42, 58, 95]]],
        notes: ['gathered', 'incomplete'],
        taken: ['dates month-first', 'frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    'am pm': [
      'Timestamp,Sales\n1/15/2021 3:30:00 PM,5\n2/15/2021 4:30:00 PM,6\n3/15/2021 11:00:00 AM,7',
      {
        'monthly columns': [['Sales', '2021-01', [5, 6, 7]]],
        notes: [],
        taken: ['dates month-first'],
      },
    ],
    'quarters roman': [
      'Quarter,Sales\nI 2021,5\nII 2021,6\nIII 2021,7\nIV 2021,8',
      { 'quarterly columns': [['Sales', '2021-Q1', [5, 6, 7, 8]]], notes: [] },
    ],
    'q 12021': [
      'Quarter,Sales\nQ1-21,5\nQ2-21,6\nQ3-21,7\nQ4-21,8\nQ1-22,9',
      { 'quarterly columns': [['Sales', '2021-Q1', [5, 6, 7, 8, 9]]], notes: [] },
    ],
    'q slash': [
      'Quarter,Sales\n1/2021,5\n2/2021,6\n3/2021,7\n4/2021,8\n1/2022,9\n2/2022,9',
      { 'quarterly columns': [['Sales', '2021-Q1', [5, 6, 7, 8, 9, 9]]], notes: [] },
    ],
    range: [
      'Period,Sales\nJan-Mar 2021,5\nApr-Jun 2021,6\nJul-Sep 2021,7\nOct-Dec 2021,8',
      { 'quarterly columns': [['Sales', '2021-Q1', [5, 6, 7, 8]]], notes: [] },
    ],
    'neg trailing': [
      'month,Sales\n2021-01,5-\n2021-02,6\n2021-03,7-',
      { 'monthly columns': [['Sales', '2021-01', [-5, 6, -7]]], notes: [] },
    ],
    'percent mix': [
      'month,Sales,Share\n2021-01,5,50%\n2021-02,7,45%\n2021-03,7,44%',
      {
        'monthly columns': [
          ['Sales', '2021-01', [5, 7, 7]],
          ['Share [%]', '2021-01', [50, 45, 44]],
        ],
        notes: [],
      },
    ],
    'blanks in values': [
      'month,Sales\n2021-01,\n2021-02,7\n2021-03,\n2021-04,8',
      { 'monthly columns': [['Sales', '2021-02', [7, null, 8]]], notes: ['missing'] },
    ],
    'zero pad': [
      'month,Sales\n2021-01,007\n2021-02,008\n2021-03,010',
      { 'monthly columns': [['Sales', '2021-01', [7, 8, 10]]], notes: [] },
    ],
    'id like': [
      'month,Store,Sales\n2021-01,1,5\n2021-01,2,6\n2021-02,1,7\n2021-02,2,8',
      {
        'monthly long': [
          ['1', '2021-01', [5, 7]],
          ['2', '2021-01', [6, 8]],
        ],
        notes: [],
      },
    ],
    'headings twice': [
      'month,Sales\n2021-01,5\n2021-02,6\nmonth,Sales\n2021-03,7\n2021-04,8',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7, 8]]], notes: [] },
    ],
    'dup months rows': [
      'month,Sales\n2021-01,1\n2021-02,2\n2021-03,3\n2021-04,4\n2021-05,5\n2021-06,6\n2021-01,7\n2021-02,8\n2021-03,9\n2021-04,10\n2021-05,11\n2021-06,12',
      { asks: ['duplicates'] },
    ],
    'euro dates': [
      'Datum;Umsatz\n01.02.2021;1.234,50\n01.03.2021;2.345,00\n01.04.2021;999,99',
      { 'monthly columns': [['Umsatz', '2021-02', [1234.5, 2345, 999.99]]], notes: [] },
    ],
    'tab aligned': [
      'Month\t\tSales\nJan 2021\t\t5\nFeb 2021\t\t6\nMar 2021\t\t7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'units in header': [
      'Month,Sales in €,Volume in litres\n2021-01,5,6\n2021-02,6,7',
      {
        'monthly columns': [
          ['Sales [€]', '2021-01', [5, 6]],
          ['Volume [litres]', '2021-01', [6, 7]],
        ],
        notes: [],
      },
    ],
    'spreadsheet serials as text': [
      'Date,Sales\n44197.0,5\n44228.0,6\n44256.0,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'two period cols': [
      'From,To,Sales\n2021-01-01,2021-01-31,5\n2021-02-01,2021-02-28,6\n2021-03-01,2021-03-31,7',
      {
        'monthly columns': [['Sales', '2021-01', [5, 6, 7]]],
        notes: ['from-to', 'ignored-columns'],
      },
    ],
    'provisional col': [
      'month,Sales,flag\n2021-01,5,p\n2021-02,6,\n2021-03,7,r',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: ['ignored-columns'] },
    ],
    bom: [
      '﻿sep=,\nmonth,Sales\n2021-01,5\n2021-02,6',
      { 'monthly columns': [['Sales', '2021-01', [5, 6]]], notes: [] },
    ],
    bankers: [
      'month,Sales\n2021-01,"(1,234.50)"\n2021-02,"2,000.00"\n2021-03,"(100.00)"',
      { 'monthly columns': [['Sales', '2021-01', [-1234.5, 2000, -100]]], notes: [] },
    ],
    'k mixed': [
      'month,Sales (k€)\n2021-01,1.2\n2021-02,1.3',
      { 'monthly columns': [['Sales [k€]', '2021-01', [1.2, 1.3]]], notes: [] },
    ],
    'spanish dec': [
      'mes;ventas\nene-21;1.234,5\nfeb-21;1.300,0\nmar-21;900,25',
      { 'monthly columns': [['ventas', '2021-01', [1234.5, 1300, 900.25]]], notes: [] },
    ],
    'slash year': [
      'Date,Sales\nJan/21,5\nFeb/21,6\nMar/21,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'dot month': [
      'Date,Sales\n1.2021,5\n2.2021,6\n3.2021,7\n10.2021,8',
      {
        'monthly columns': [['Sales', '2021-01', [5, 6, 7, null, '10 values']]],
        notes: ['missing'],
      },
    ],
    'dec year': [
      'time,value\n1990.0000,5\n1990.0833,6\n1990.1667,7\n1990.2500,8',
      { 'monthly columns': [['value', '1990-01', [5, 6, 7, 8]]], notes: [] },
    ],
    'col totals': [
      'Year,Q1,Q2,Q3,Q4,Year total\n2019,1,2,3,4,10\n2020,2,3,4,5,14',
      {
        'quarterly matrix': [['Series', '2019-Q1', [1, 2, 3, 4, 2, 3, 4, 5]]],
        notes: ['total-columns'],
      },
    ],
    'grand total top': [
      'month,Sales\nTotal,18\n2021-01,5\n2021-02,6\n2021-03,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: ['total-rows'] },
    ],
    ytd: [
      'month,Sales,YTD\n2021-01,1,1\n2021-02,2,3\n2021-03,3,6',
      { 'monthly columns': [['Sales', '2021-01', [1, 2, 3]]], notes: ['total-columns'] },
    ],
    'info above': [
      'Report:,Sales by month\nCreated:,2021-05-01\nUser:,JS\n\nmonth,Sales\n2021-01,5\n2021-02,6\n2021-03,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: ['title-rows'] },
    ],
    'semi decimal point': [
      'month;Sales\n2021-01;1234.5\n2021-02;1300.25',
      { 'monthly columns': [['Sales', '2021-01', [1234.5, 1300.25]]], notes: [] },
    ],
    'json nested': [
      '{"data":[{"period":"2021-01","value":5},{"period":"2021-02","value":6}]}',
      { 'monthly columns': [['value', '2021-01', [5, 6]]], notes: [] },
    ],
    'json cols': [
      '{"month":["2021-01","2021-02"],"sales":[5,6]}',
      { 'monthly columns': [['sales', '2021-01', [5, 6]]], notes: [] },
    ],
    'json arr arr': [
      '[["month","Sales"],["2021-01",5],["2021-02",6]]',
      { 'monthly columns': [['Sales', '2021-01', [5, 6]]], notes: [] },
    ],
  },
  'more shapes of files': {
    'monthly unique note': [
      'month,note,Sales\n2021-01,a,5\n2021-02,b,6\n2021-03,c,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: ['ignored-columns'] },
    ],
    'long missing combos': [
      'month,shop,Sales\n2021-01,A,5\n2021-01,B,6\n2021-02,A,7\n2021-03,A,8\n2021-03,B,9',
      {
        'monthly long': [
          ['A', '2021-01', [5, 7, 8]],
          ['B', '2021-01', [6, null, 9]],
        ],
        notes: ['missing'],
      },
    ],
    'long total rows': [
      'month,shop,Sales\n2021-01,A,5\n2021-01,B,6\n2021-01,Total,11\n2021-02,A,7\n2021-02,B,1\n2021-02,Total,8',
      {
        'monthly long': [
          ['A', '2021-01', [5, 7]],
          ['B', '2021-01', [6, 1]],
        ],
        notes: ['total-rows'],
      },
    ],
    'sum rows blank': [
      'Product,Month,Sales\nPaint,2021-01,5\nPaint,2021-02,6\nPaint total,,11\nPrimer,2021-01,7\nPrimer,2021-02,8\nPrimer total,,15\nGrand total,,26',
      {
        'monthly long': [
          ['Paint', '2021-01', [5, 6]],
          ['Primer', '2021-01', [7, 8]],
        ],
        notes: ['total-rows'],
      },
    ],
    'int years': [
      'Year,Sales,Price\n2015,100,5\n2016,110,5\n2017,120,6\n2018,130,6',
      {
        'yearly columns': [
          ['Sales', '2015', [100, 110, 120, 130]],
          ['Price', '2015', [5, 5, 6, 6]],
        ],
        notes: [],
      },
    ],
    'yearly values look years': [
      'Year,Sales\n2015,2015\n2016,2020\n2017,2031\n2018,2044',
      { 'yearly columns': [['Sales', '2015', [2015, 2020, 2031, 2044]]], notes: [] },
    ],
    'monthly like years': [
      'month,Sales\n2021-01,2011\n2021-02,2012\n2021-03,2013\n2021-04,2014\n2021-05,2015\n2021-06,2016',
      {
        'monthly columns': [['Sales', '2021-01', [2011, 2012, 2013, 2014, 2015, 2016]]],
        notes: [],
      },
    ],
    'header num': [
      'month,2020,2021,2022\nJan,5,6,7\nFeb,6,7,8\nMar,7,8,9\nTotal,18,21,24',
      {
        'monthly matrix': [['Series', '2020-01', [5, 6, 7, null, '27 values']]],
        notes: ['total-rows', 'missing'],
      },
    ],
    'fiscal matrix': [
      'Year,Apr,May,Jun,Jul,Aug,Sep,Oct,Nov,Dec,Jan,Feb,Mar\n2020/21,1,2,3,4,5,6,7,8,9,10,11,12\n2021/22,2,3,4,5,6,7,8,9,10,11,12,13',
      { 'monthly matrix': [['Series', '2020-04', [1, 2, 3, 4, '24 values']]], notes: [] },
    ],
    'fiscal matrix plain': [
      'Year,Apr,May,Jun,Jul,Aug,Sep,Oct,Nov,Dec,Jan,Feb,Mar\n2020,1,2,3,4,5,6,7,8,9,10,11,12\n2021,2,3,4,5,6,7,8,9,10,11,12,13',
      { asks: ['year-of-columns'] },
    ],
    'dates across': [
      'shop,01/01/2021,01/02/2021,01/03/2021\nA,15,22,33\nB,22,33,44',
      { asks: ['dates'] },
    ],
    'month num across': [
      'Year,1,2,3,4,5,6,7,8,9,10,11,12\n2020,11,12,13,14,15,16,17,18,19,20,21,22\n2021,12,13,14,15,16,17,18,19,20,21,22,23',
      { 'monthly matrix': [['Series', '2020-01', [11, 12, 13, 14, '24 values']]], notes: [] },
    ],
    'quarter num across': [
      'Year,1,2,3,4\n2019,11,12,13,14\n2020,12,13,14,15\n2021,12,13,14,15',
      { 'quarterly matrix': [['Series', '2019-Q1', [11, 12, 13, 14, '12 values']]], notes: [] },
    ],
    'year col mid': [
      'Sales,Month,Year\n5,Jan,2021\n6,Feb,2021\n7,Mar,2021',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'month text': [
      'Month of year,Year,Sales\n01 - January,2021,5\n02 - February,2021,6\n03 - March,2021,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'quarter text': [
      'Period,Sales\n"1st quarter, 2021",5\n"2nd quarter, 2021",6\n"3rd quarter, 2021",7',
      { 'quarterly columns': [['Sales', '2021-Q1', [5, 6, 7]]], notes: [] },
    ],
    'half mix': [
      'Period,Sales\n2021-01,5\n2021-02,6\nH1 2021,30',
      { refused: 'This line has a half-year where line 2 has a month; a series' },
    ],
    'currency code col': [
      'month,Currency,Amount\n2021-01,EUR,5\n2021-01,USD,6\n2021-02,EUR,7\n2021-02,USD,8',
      {
        'monthly long': [
          ['EUR', '2021-01', [5, 7]],
          ['USD', '2021-01', [6, 8]],
        ],
        notes: [],
      },
    ],
    'neg brackets': [
      'month,Profit (loss)\n2021-01,5\n2021-02,(6)\n2021-03,7',
      { 'monthly columns': [['Profit (loss)', '2021-01', [5, -6, 7]]], notes: [] },
    ],
    'thousands space narrow': [
      'month;Sales\n2021-01;12 345\n2021-02;9 876\n2021-03;998',
      { 'monthly columns': [['Sales', '2021-01', [12345, 9876, 998]]], notes: [] },
    ],
    'point thousands only': [
      'Monat;Umsatz\nJan 2021;12.345\nFeb 2021;9.876\nMär 2021;998',
      {
        'monthly columns': [['Umsatz', '2021-01', [12345, 9876, 998]]],
        notes: [],
        taken: ['decimal comma'],
      },
    ],
    'point thousands mixed': [
      'Monat;Umsatz\nJan 2021;12.345\nFeb 2021;9.876,5\nMär 2021;998',
      { 'monthly columns': [['Umsatz', '2021-01', [12345, 9876.5, 998]]], notes: [] },
    ],
    'percent no sign': [
      'month,Growth %\n2021-01,5\n2021-02,6',
      { 'monthly columns': [['Growth %', '2021-01', [5, 6]]], notes: [] },
    ],
    refs: ['month,Sales\n2021-01,5 (1)\n2021-02,6\n2021-03,7', { asks: ['unread-values'] }],
    'refs 2': [
      'month,Sales\n2021-01,5¹\n2021-02,6²\n2021-03,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: ['marks'] },
    ],
    'ref digits': [
      'month,Sales\n2021-01,500[a]\n2021-02,600\n2021-03,700',
      { 'monthly columns': [['Sales', '2021-01', [500, 600, 700]]], notes: ['marks'] },
    ],
    'leading mark': [
      'month,Sales\n2021-01,*500\n2021-02,600\n2021-03,r 700',
      { asks: ['unread-values'] },
    ],
    'blank rows between': [
      'month,Sales\n2021-01,5\n\n2021-02,6\n\n2021-03,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
    ],
    'year gap blank': [
      'month,Sales\n2021-01,7\n2021-02,10\n2021-03,13\n2021-04,16\n2021-05,19\n2021-06,22\n2021-07,25\n2021-08,28\n2021-09,31\n2021-10,34\n2021-11,37\n2021-12,40\n\n2022-01,7\n2022-02,12\n2022-03,17\n2022-04,22\n2022-05,27\n2022-06,32\n2022-07,37\n2022-08,42\n2022-09,47\n2022-10,52\n2022-11,57\n2022-12,62',
      { 'monthly columns': [['Sales', '2021-01', [7, 10, 13, 16, '24 values']]], notes: [] },
    ],
    'a summary under its question': [
      'Sales added up,Region,,\nBy,North,South,Grand Total\n2021-01,5,6,11\n2021-02,6,7,13\n2021-03,7,8,15\nGrand Total,18,21,39',
      {
        'monthly columns': [
          ['North', '2021-01', [5, 6, 7]],
          ['South', '2021-01', [6, 7, 8]],
        ],
        notes: ['title-rows', 'total-rows', 'total-columns'],
      },
    ],
    'a summary with years': [
      'By,Sales added up\n2020,18\nJan,5\nFeb,6\nMar,7\n2021,27\nJan,8\nFeb,9\nMar,10\nGrand Total,45',
      {
        'monthly columns': [['Sales added up', '2020-01', [5, 6, 7, null, '15 values']]],
        notes: ['total-rows', 'missing'],
      },
    ],
    'sep 2': [
      'sep=\t\nmonth\tSales\n2021-01\t1,5\n2021-02\t2,5',
      { 'monthly columns': [['Sales', '2021-01', [1.5, 2.5]]], notes: [] },
    ],
    'long num names': [
      'month,year sales\n2021-01,5\n2021-02,6',
      { 'monthly columns': [['year sales', '2021-01', [5, 6]]], notes: [] },
    ],
    'region code': [
      'month,region,code,Sales\n2021-01,North,N,5\n2021-01,South,S,6\n2021-02,North,N,7\n2021-02,South,S,8',
      {
        'monthly long': [
          ['North', '2021-01', [5, 7]],
          ['South', '2021-01', [6, 8]],
        ],
        notes: ['ignored-columns'],
      },
    ],
  },
  'periods said in other ways': {
    'words for quarters': [
      'Period,Sales\nFirst quarter 2021,5\nSecond quarter 2021,9\nThird quarter 2021,4',
      { 'quarterly columns': [['Sales', '2021-Q1', [5, 9, 4]]], notes: [] },
    ],
    'halves of years': [
      'Period,Sales\nfirst half of 2021,5\nsecond half of 2021,9\nfirst half of 2022,4',
      { 'half-yearly columns': [['Sales', '2021-H1', [5, 9, 4]]], notes: [] },
    ],
    'weeks from to': [
      'Period,Sales\n2021-01-04 - 2021-01-10,5\n2021-01-11 - 2021-01-17,9\n2021-01-18 - 2021-01-24,4\n2021-01-25 - 2021-01-31,7\n2021-02-01 - 2021-02-07,6',
      {
        'monthly columns': [['Sales', '2021-01', [25]]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    'weeks within a month': [
      'Period,Sales\n4-10 Jan 2021,5\n11-17 Jan 2021,9\n18-24 Jan 2021,4\n25-31 Jan 2021,7\n1-7 Feb 2021,6',
      {
        'monthly columns': [['Sales', '2021-01', [25]]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    'months from to': [
      'Period,Sales\n01/01/2021 - 31/01/2021,5\n01/02/2021 - 28/02/2021,9\n01/03/2021 - 31/03/2021,4',
      {
        'monthly columns': [['Sales', '2021-01', [5, 9, 4]]],
        notes: [],
        taken: ['dates day-first'],
      },
    ],
    'week ending': [
      'Period,Sales\nw/e 10/01/2021,5\nw/e 17/01/2021,9\nw/e 24/01/2021,4\nw/e 31/01/2021,7\nw/e 07/02/2021,6',
      {
        'monthly columns': [['Sales', '2021-01', [25]]],
        notes: ['gathered', 'incomplete'],
        taken: ['dates day-first', 'frequency monthly', 'gather sum', 'incomplete leave-out'],
      },
    ],
    'quarter ended': [
      'Period,Sales\nQuarter ended 31 March 2021,5\nQuarter ended 30 June 2021,9\nQuarter ended 30 September 2021,4',
      { 'quarterly columns': [['Sales', '2021-Q1', [5, 9, 4]]], notes: [] },
    ],
    'three months ended': [
      'Period,Sales\nThree months ended 31 March 2021,5\nThree months ended 30 June 2021,9\nThree months ended 30 September 2021,4',
      { 'quarterly columns': [['Sales', '2021-Q1', [5, 9, 4]]], notes: [] },
    ],
    'two months': [
      'Period,Sales\nJan/Feb 2021,5\nMar/Apr 2021,9\nMay/Jun 2021,4\nJul/Aug 2021,7',
      { 'seasons columns': [['Sales', '2021-S1', [5, 9, 4, 7]]], notes: [] },
    ],
    'thirds of a year': [
      'Period,Sales\nT1 2018,5\nT2 2018,9\nT3 2018,4\nT1 2019,7\nT2 2019,6\nT3 2019,8',
      { 'seasons columns': [['Sales', '2018-S1', [5, 9, 4, 7, 6, 8]]], notes: [] },
    ],
    trimestres: [
      'Period,Sales\nT1 2018,5\nT2 2018,9\nT3 2018,4\nT4 2018,7\nT1 2019,6',
      { 'quarterly columns': [['Sales', '2018-Q1', [5, 9, 4, 7, 6]]], notes: [] },
    ],
    'day month year without marks': [
      'Date,Sales\n13012021,5\n13022021,9\n13032021,4',
      {
        'monthly columns': [['Sales', '2021-01', [5, 9, 4]]],
        notes: [],
        taken: ['dates day-first'],
      },
    ],
    'day month year without marks, doubtful': [
      'Date,Sales\n01012021,5\n01022021,9\n01032021,4\n01042021,7',
      { asks: ['dates'] },
    ],
    seconds: [
      'timestamp,Sales\n1609459200,5\n1612137600,9\n1614556800,4',
      { 'monthly columns': [['Sales', '2021-01', [5, 9, 4]]], notes: [] },
    ],
    milliseconds: [
      'time,Sales\n1609459200000,5\n1612137600000,9\n1614556800000,4',
      { 'monthly columns': [['Sales', '2021-01', [5, 9, 4]]], notes: [] },
    ],
    'numbers that are no seconds': [
      'order,Sales\n1609459207,5\n1609459208,9\n1609459209,4',
      { asks: ['frequency'] },
    ],
    'midnights further east': [
      'Period,Sales\n2020-12-31T23:00:00Z,5\n2021-01-31T23:00:00Z,9\n2021-02-28T23:00:00Z,4\n2021-03-31T22:00:00Z,7',
      {
        'monthly columns': [['Sales', '2021-01', [5, 9, 4, 7]]],
        notes: [],
        taken: ['midnight next'],
      },
    ],
    'midnights, perhaps': [
      'Period,Sales\n2020-12-31T23:00:00Z,5\n2021-01-31T23:00:00Z,9\n2021-02-28T23:00:00Z,4',
      { asks: ['midnight'] },
    ],
    'winters of two years': [
      'Period,Sales\nWinter 2018/19,5\nSummer 2019,9\nWinter 2019/20,4\nSummer 2020,7',
      { asks: ['first-season'] },
    ],
    'two seasons': [
      'Period,Sales\nSummer 2018,5\nWinter 2018,9\nSummer 2019,4\nWinter 2019,7',
      { asks: ['first-season'] },
    ],
    'seasons with other names': [
      'year,season,Sales\n2018,Dry,5\n2018,Wet,9\n2019,Dry,4\n2019,Wet,7\n2020,Dry,6',
      {
        'seasons columns': [['Sales', '2018-S1', [5, 9, 4, 7, 6]]],
        notes: [],
        taken: ['own-seasons seasons'],
      },
    ],
    'no seasons but shops': [
      'year,shop,Sales\n2018,A,5\n2018,B,9\n2019,A,4\n2019,B,7\n2020,A,6',
      {
        'yearly long': [
          ['A', '2018', [5, 4, 6]],
          ['B', '2018', [9, 7]],
        ],
        notes: [],
      },
    ],
    'initials of months': [
      'Year,J,F,M,A,M,J,J,A,S,O,N,D\n2020,1,2,3,4,5,6,7,8,9,10,11,12\n2021,2,3,4,5,6,7,8,9,10,11,12,13',
      { 'monthly matrix': [['Series', '2020-01', [1, 2, 3, 4, '24 values']]], notes: [] },
    ],
    'initials from April on': [
      'Year,A,M,J,J,A,S,O,N,D,J,F,M\n2020/21,1,2,3,4,5,6,7,8,9,10,11,12\n2021/22,2,3,4,5,6,7,8,9,10,11,12,13',
      {
        'monthly matrix': [['Series', '2020-04', [1, 2, 3, 4, '24 values']]],
        notes: [],
      },
    ],
    'quarters without a year': [
      'Period,Sales\nQ3,5\nQ4,9\nQ1,4\nQ2,7\nQ3,6\nQ4,8',
      { asks: ['start'] },
    ],
    'years of two digits': [
      'Year,Sales\n19,5\n20,9\n21,4',
      { 'yearly columns': [['Sales', '2019', [5, 9, 4]]], notes: [] },
    ],
    'years that are estimates': [
      'Year,Sales\n2019,5\n2020,9\n2021e,4',
      { asks: ['forecast-rows'] },
    ],
    'calendar years': [
      'Year,Sales\nCY2019,5\nCY2020,9\nCY2021,4',
      { 'yearly columns': [['Sales', '2019', [5, 9, 4]]], notes: [] },
    ],
  },
  'columns beside the values': {
    'plan and actual': [
      'month,Sales,Type\n2021-01,5,Actual\n2021-02,6,Actual\n2021-03,7,Actual\n2021-04,8,Forecast',
      { asks: ['forecast-rows'] },
    ],
    'plan and actual of the same months': [
      'month,Type,Sales\n2021-01,Actual,5\n2021-02,Actual,6\n2021-02,Plan,7\n2021-03,Plan,8',
      {
        'monthly long': [
          ['Actual', '2021-01', [5, 6]],
          ['Plan', '2021-02', [7, 8]],
        ],
        notes: [],
      },
    ],
    'parts of an account': [
      'month,Actual,Budget,Variance\n2021-01,51,48,3\n2021-02,52,49,3\n2021-03,53,50,3\n2021-04,54,51,3\n2021-05,55,52,3\n2021-06,56,53,3',
      {
        'monthly columns': [
          ['Actual', '2021-01', [51, 52, 53, 54, 55, 56]],
          ['Budget', '2021-01', [48, 49, 50, 51, 52, 53]],
          ['Variance', '2021-01', [3, 3, 3, 3, 3, 3]],
        ],
        notes: [],
      },
    ],
    'the sum of two behind them': [
      'month,North,South,Company\n2021-01,51,42,93\n2021-02,52,44,96\n2021-03,53,46,99\n2021-04,54,48,102\n2021-05,55,50,105\n2021-06,56,52,108',
      {
        'monthly columns': [
          ['North', '2021-01', [51, 52, 53, 54, 55, 56]],
          ['South', '2021-01', [42, 44, 46, 48, 50, 52]],
        ],
        notes: ['total-columns'],
      },
    ],
    'the sum of two before them': [
      'month,Company,North,South\n2021-01,93,51,42\n2021-02,96,52,44\n2021-03,99,53,46\n2021-04,102,54,48\n2021-05,105,55,50\n2021-06,108,56,52',
      {
        'monthly columns': [
          ['Company', '2021-01', [93, 96, 99, 102, 105, 108]],
          ['North', '2021-01', [51, 52, 53, 54, 55, 56]],
          ['South', '2021-01', [42, 44, 46, 48, 50, 52]],
        ],
        notes: [],
      },
    ],
    'units of a long table': [
      'month,item,qty,unit\n2021-01,Paint,5,litres\n2021-01,Brush,6,pieces\n2021-02,Paint,7,litres\n2021-02,Brush,8,pieces',
      {
        'monthly long': [
          ['Paint [litres]', '2021-01', [5, 7]],
          ['Brush [pieces]', '2021-01', [6, 8]],
        ],
        notes: [],
      },
    ],
    'two currencies in one series': [
      'month,Sales,Currency\n2021-01,5,EUR\n2021-02,6,USD\n2021-03,7,EUR',
      { refused: '"Sales" is counted in USD here and in EUR on line 2; a serie' },
    ],
    'signs before values': [
      'month,Sales,,Costs,\n2021-01,$,5,$,3\n2021-02,$,6,$,4\n2021-03,$,7,$,4',
      {
        'monthly columns': [
          ['Sales [$]', '2021-01', [5, 6, 7]],
          ['Costs [$]', '2021-01', [3, 4, 4]],
        ],
        notes: [],
      },
    ],
    'one store': [
      'month,store_id,Sales\n2021-01,7,5\n2021-02,7,6\n2021-03,7,7',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: ['ignored-columns'] },
    ],
    'a star before': [
      'month,Sales\n2021-01,*500\n2021-02,600\n2021-03,700',
      { 'monthly columns': [['Sales', '2021-01', [500, 600, 700]]], notes: ['marks'] },
    ],
  },
  'years, weeks and tables that only headings or places tell': {
    'a few months of each year': [
      'Year,Jun,Jul,Aug\n2019,5,6,7\n2020,6,7,8\n2021,7,8,9',
      {
        'monthly matrix': [['Series', '2019-06', [5, 6, 7, null, '27 values']]],
        notes: ['missing'],
      },
    ],
    'a fiscal year by its heading': [
      'Fiscal year,Month,Sales\n2021,Jul,5\n2021,Aug,6\n2021,Sep,7\n2021,Oct,8\n2021,Nov,9\n2021,Dec,10\n2021,Jan,11\n2021,Feb,12\n2021,Mar,13\n2021,Apr,14\n2021,May,15\n2021,Jun,16\n2022,Jul,17\n2022,Aug,18',
      { asks: ['fiscal-start'] },
    ],
    'a year that runs from July': [
      'Year,Month,Sales\n2021,Jul,5\n2021,Aug,6\n2021,Sep,7\n2021,Oct,8\n2021,Nov,9\n2021,Dec,10\n2021,Jan,11\n2021,Feb,12\n2021,Mar,13\n2021,Apr,14\n2021,May,15\n2021,Jun,16\n2022,Jul,17\n2022,Aug,18',
      { asks: ['year-of-rows'] },
    ],
    'fiscal quarters by their heading': [
      'Fiscal quarter,Sales\n2021 Q1,5\n2021 Q2,6\n2021 Q3,7',
      { asks: ['fiscal-start'] },
    ],
    'a fiscal matrix by its heading': [
      'Fiscal year,Q1,Q2,Q3,Q4\n2020,1,2,3,4\n2021,2,3,4,5',
      { asks: ['fiscal-start'] },
    ],
    'weeks that look like months': [
      'Week,Sales\n2021-01,5\n2021-02,6\n2021-03,7\n2021-04,8',
      {
        'monthly columns': [['Sales', '2021-01', [26]]],
        notes: ['gathered'],
        taken: ['frequency monthly', 'gather sum'],
      },
    ],
    'weeks in six digits': [
      'yearweek,Sales\n202151,5\n202152,6\n202201,7\n202202,8',
      {
        'monthly columns': [['Sales', '2021-12', [11, 15]]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum'],
      },
    ],
    'year, month and day by letters': [
      'y,m,d,Sales\n2021,1,30,5\n2021,1,31,6\n2021,2,1,7',
      {
        'monthly columns': [['Sales', '2021-01', [11, 7]]],
        notes: ['gathered', 'incomplete'],
        taken: ['frequency monthly', 'gather sum'],
      },
    ],
    'a small table without a gap': [
      'month,Sales,region,Staff\n2021-01,5,North,3\n2021-02,6,South,4\n2021-03,7,,\n2021-04,8,,',
      { 'monthly columns': [['Sales', '2021-01', [5, 6, 7, 8]]], notes: ['ignored-columns'] },
    ],
    'tables of other months side by side': [
      'month,Sales,,month,Costs\n2021-01,5,,2020-01,3\n2021-02,6,,2020-02,4\n2021-03,7,,2020-03,4',
      { asks: ['side'] },
    ],
    'tables of the same months side by side': [
      'month,Sales,,month,Costs\n2021-01,5,,2021-01,3\n2021-02,6,,2021-02,4\n2021-03,7,,2021-03,4',
      {
        'monthly columns': [
          ['Sales', '2021-01', [5, 6, 7]],
          ['Costs', '2021-01', [3, 4, 4]],
        ],
        notes: ['ignored-columns'],
      },
    ],
    'tables under one another with titles': [
      'North\nmonth,Sales\n2021-01,5\n2021-02,6\n\nSouth\nmonth,Sales\n2021-01,7\n2021-02,8',
      {
        'monthly columns': [
          ['North', '2021-01', [5, 6]],
          ['South', '2021-01', [7, 8]],
        ],
        notes: [],
        taken: ['table all'],
      },
    ],
    'a thousand split before an empty cell': [
      'month,Sales,remark\n2021-01,950,\n2021-02,1,050,\n2021-03,990,',
      { asks: ['split-cells'] },
    ],
    lakh: [
      'month,Sales\n2021-01,1.2 lakh\n2021-02,1.3 lakh\n2021-03,1.1 crore',
      {
        'monthly columns': [['Sales', '2021-01', [120000, 130000, 11000000]]],
        notes: ['multiples'],
        taken: ['multiples multiply'],
      },
    ],
    'numbers kept as text': [
      'month,Sales\n2021-01,="500"\n2021-02,="600"\n2021-03,="700"',
      { 'monthly columns': [['Sales', '2021-01', [500, 600, 700]]], notes: [] },
    ],
    'running up by one': [
      'month,A,B\n2021-01,5,7\n2021-02,6,9\n2021-03,7,8\n2021-04,8,4\n2021-05,9,5\n2021-06,10,6',
      {
        'monthly columns': [
          ['A', '2021-01', [5, 6, 7, 8, 9, 10]],
          ['B', '2021-01', [7, 9, 8, 4, 5, 6]],
        ],
        notes: [],
      },
    ],
    'a long running number': [
      'month,Filter,B\n2021-01,1,0\n2021-02,2,2\n2021-03,3,4\n2021-04,4,1\n2021-05,5,3\n2021-06,6,0\n2021-07,7,2\n2021-08,8,4\n2021-09,9,1\n2021-10,10,3\n2021-11,11,0\n2021-12,12,2',
      {
        'monthly columns': [['B', '2021-01', [0, 2, 4, 1, '12 values']]],
        notes: ['repeated-columns'],
      },
    ],
  },
}

describe.each(Object.entries(FAMILIES))('%s', (_, files) => {
  it.each(Object.entries(files))('%s', (_name, [text, expected]) => {
    expect(digest(text)).toEqual(expected)
  })
})

/** Answers to what is asked, and the reading they lead to. */
const ANSWERED: readonly (readonly [
  family: string,
  file: string,
  answers: Answers,
  series: readonly (readonly [name: string, start: string, values: readonly unknown[]])[],
])[] = [
  [
    'rows and columns',
    'thousand unq',
    { 'split-cells': 'thousands' },
    [
      ['Sales', '2021-01', [950, 1050, 1120, 990]],
      ['Returns', '2021-01', [10, 12, 9, 8]],
    ],
  ],
  [
    'rows and columns',
    'thousand unq',
    { 'split-cells': 'leave-out' },
    [
      ['Sales', '2021-01', [950, null, null, 990]],
      ['Returns', '2021-01', [10, null, null, 8]],
    ],
  ],
  ['rows and columns', 'two tables 2', { table: '7' }, [['Returns', '2021-01', [1, 2, 3]]]],
  ['dates', 'two dates 2', { 'period-column': '2' }, [['qty', '2021-02', [11, null, 15]]]],
  [
    'seasons and counted years',
    'cols w',
    { 'first-season': '4' },
    [['Series', '2019-Q1', [5, 9, 4, 2, '12 values']]],
  ],
  [
    'seasons and counted years',
    'undated',
    { frequency: 'seasons', seasons: '3', start: '1-S1' },
    [['Sales', '1-S1', [5, 7, 9, 4, 6, 8, 10, 5]]],
  ],
  [
    'more shapes of files',
    'fiscal matrix plain',
    { 'year-of-columns': 'begins' },
    [['Series', '2020-04', [1, 2, 3, 4, '24 values']]],
  ],
  ['calendars', 'fq', { 'fiscal-start': '4' }, [['Sales', '2020-Q2', [5, 6, 7, 8, 9]]]],
  [
    'calendars',
    'fyslashq',
    { 'fiscal-start': '7' },
    [['Series', '2018-Q3', [5, 6, 7, 8, 6, 7, 8, 9]]],
  ],
  ['numbers', 'switch', { 'mixed-marks': 'each' }, [['Sales', '2021-01', [1.5, 2.5, 3.5, 4.5]]]],
  ['numbers', 'dash acc', { dash: 'zero' }, [['Sales', '2021-01', [1205, 0, 1007.5, 0, 1100]]]],
  [
    'periods said in other ways',
    'midnights, perhaps',
    { midnight: 'next' },
    [['Sales', '2021-01', [5, 9, 4]]],
  ],
  [
    'periods said in other ways',
    'midnights, perhaps',
    { midnight: 'same' },
    [['Sales', '2020-12', [5, 9, 4]]],
  ],
  [
    'periods said in other ways',
    'winters of two years',
    { 'first-season': '4' },
    [['Sales', '2019-H1', [5, 9, 4, 7]]],
  ],
  [
    'periods said in other ways',
    'winters of two years',
    { 'first-season': '2' },
    [['Sales', '2018-H2', [5, 9, 4, 7]]],
  ],
  [
    'periods said in other ways',
    'quarters without a year',
    { start: '2021' },
    [['Sales', '2021-Q3', [5, 9, 4, 7, 6, 8]]],
  ],
  [
    'years, weeks and tables that only headings or places tell',
    'a fiscal year by its heading',
    { 'fiscal-start': '7' },
    [['Sales', '2020-07', [5, 6, 7, 8, '14 values']]],
  ],
  [
    'years, weeks and tables that only headings or places tell',
    'a year that runs from July',
    { 'year-of-rows': 'begins' },
    [['Sales', '2021-07', [5, 6, 7, 8, '14 values']]],
  ],
  [
    'years, weeks and tables that only headings or places tell',
    'a year that runs from July',
    { 'year-of-rows': 'ends' },
    [['Sales', '2020-07', [5, 6, 7, 8, '14 values']]],
  ],
  [
    'years, weeks and tables that only headings or places tell',
    'tables of other months side by side',
    { side: '4' },
    [['Costs', '2020-01', [3, 4, 4]]],
  ],
  [
    'years, weeks and tables that only headings or places tell',
    'a thousand split before an empty cell',
    { 'split-cells': 'thousands' },
    [['Sales', '2021-01', [950, 1050, 990]]],
  ],
  [
    'columns beside the values',
    'plan and actual',
    { 'forecast-rows': 'leave-out' },
    [['Sales', '2021-01', [5, 6, 7]]],
  ],
  [
    'columns beside the values',
    'plan and actual',
    { 'forecast-rows': 'keep' },
    [['Sales', '2021-01', [5, 6, 7, 8]]],
  ],
  ['numbers', 'k', { multiples: 'unit' }, [['Sales [k]', '2021-01', [1.2, 1.3, 980]]]],
  [
    'headings and keys',
    'spelt',
    { spelling: 'one' },
    [
      ['North', '2021-01', [1, 3, 5]],
      ['South', '2021-01', [2, 4, 6]],
    ],
  ],
]

describe('what is offered first', () => {
  it('leaves few values unread, or says that most would be', () => {
    const first = (cells: readonly string[]) => {
      const rows = cells.map((cell, i) => `2021-0${i + 1},${cell}`)
      const text = ['month,Sales', ...rows].join('\n')
      const reading = readFile(new TextEncoder().encode(text))
      return reading.questions.find(({ id }) => id === 'unread-values')!.options[0]
    }
    expect(first(['5', 'about 6', '7', '8'])!.value).toBe('missing')
    expect(first(['about 5', 'about 6', '7', '4 or 5'])).toMatchObject({ value: 'stop' })
  })
})

describe('a name that begins like a total', () => {
  it('is one only where it adds up the others', () => {
    const rows = (all: string, sum: (a: number, b: number) => number) =>
      ['month,item,Sales']
        .concat(
          [1, 2, 3].flatMap((m) =>
            [`A,${m + 3}`, `B,${m * 7}`, `${all},${sum(m + 3, m * 7)}`].map(
              (row) => `2021-0${m},${row}`,
            ),
          ),
        )
        .join('\n')
    const names = (text: string) =>
      (Object.values(digest(text))[0] as [string][]).map(([name]) => name)
    expect(names(rows('All shops', (a, b) => a + b))).toEqual(['A', 'B'])
    expect(names(rows('All shops', (a, b) => a * b))).toEqual(['A', 'B', 'All shops'])
    expect(names(rows('All-weather paint', (a, b) => a * b))).toHaveLength(3)
    expect(names(rows('Total care', (a, b) => a * b))).toHaveLength(3)
    expect(names(rows('Total', (a, b) => a + b))).toEqual(['A', 'B'])
  })
})

describe('an answer', () => {
  it.each(ANSWERED)('%s, %s: %j', (family, file, answers, series) => {
    const read = digest(FAMILIES[family]![file]![0], answers)
    expect(Object.values(read)[0]).toEqual(series)
  })
})
