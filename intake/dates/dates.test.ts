import { describe, expect, it } from 'vitest'
import { Refusal } from '../../core/refusal'
import { datesOfCalendar, isCalendarFile } from './calendarFile'
import { typedDates } from './typedDates'

const YEARS = { first: 2019, last: 2023 }
const file = (...events: readonly string[][]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//quillfield//fairs//EN',
    ...events.flatMap((lines, i) => ['BEGIN:VEVENT', `UID:${i}`, ...lines, 'END:VEVENT']),
    'END:VCALENDAR',
  ].join('\r\n')

describe('dates as they are typed', () => {
  it('in any usual spelling, in order and each once', () => {
    expect(typedDates('2025-05-01\n1 May 2024; 03.05.2024, 04.05.2024\n\n2024-05-01')).toEqual([
      '2024-05-01',
      '2024-05-03',
      '2024-05-04',
      '2025-05-01',
    ])
    expect(typedDates('May 1, 2024\nMay 2, 2025')).toEqual(['2024-05-01', '2025-05-02'])
  })

  it('with the day first, but where one of them can only have the month first', () => {
    expect(typedDates('3/4/2024\n5/4/2024')).toEqual(['2024-04-03', '2024-04-05'])
    expect(typedDates('3/4/2024\n3/25/2024')).toEqual(['2024-03-04', '2024-03-25'])
  })

  it('refused by the first that is no day', () => {
    expect(() => typedDates('2024-05-01\nMay 2024')).toThrow(/"May 2024" is no day/)
    expect(() => typedDates('2023-02-29')).toThrow(Refusal)
  })
})

describe('a calendar file', () => {
  it('gives events of one name as one list, rules carried out over the years that are wanted', () => {
    const text = file(
      ['SUMMARY:Spring fair', 'DTSTART;VALUE=DATE:20200314', 'DTEND;VALUE=DATE:20200316'],
      ['SUMMARY:Spring fair', 'DTSTART;VALUE=DATE:20210313'],
      ['SUMMARY:Sale', 'DTSTART;VALUE=DATE:20100704', 'RRULE:FREQ=YEARLY'],
    )
    expect(isCalendarFile(text)).toBe(true)
    expect(datesOfCalendar(text, YEARS)).toEqual([
      { name: 'Spring fair', dates: ['2020-03-14', '2020-03-15', '2021-03-13'] },
      {
        name: 'Sale',
        dates: ['2019-07-04', '2020-07-04', '2021-07-04', '2022-07-04', '2023-07-04'],
      },
    ])
  })

  it('gives the last Friday of November, without the one that is taken out and with the one that is moved', () => {
    const text = file([
      'SUMMARY:Discount day',
      'DTSTART;VALUE=DATE:20191129',
      'RRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=-1FR',
      'EXDATE;VALUE=DATE:20201127',
    ]).replace(
      'END:VCALENDAR',
      [
        'BEGIN:VEVENT',
        'UID:0',
        'SUMMARY:Discount day',
        'RECURRENCE-ID;VALUE=DATE:20211126',
        'DTSTART;VALUE=DATE:20211203',
        'END:VEVENT',
        'END:VCALENDAR',
      ].join('\r\n'),
    )
    expect(datesOfCalendar(text, YEARS)[0]!.dates).toEqual([
      '2019-11-29',
      '2021-12-03',
      '2022-11-25',
      '2023-11-24',
    ])
  })

  it('takes an event of some hours as the day it begins on', () => {
    const text = file(['SUMMARY:Night sale', 'DTSTART:20220310T220000', 'DTEND:20220311T020000'])
    expect(datesOfCalendar(text, YEARS)[0]!.dates).toEqual(['2022-03-10'])
  })

  it('is refused where it cannot be read, and where it has nothing of these years', () => {
    expect(() => datesOfCalendar('BEGIN:VCALENDAR\r\nBEGIN:VEVENT', YEARS)).toThrow(
      /no calendar that can be read|no event/,
    )
    expect(() =>
      datesOfCalendar(file(['SUMMARY:Old', 'DTSTART;VALUE=DATE:19990101']), YEARS),
    ).toThrow(/no event from 2019 to 2023/)
  })

  it('with a rule without an end ends', () => {
    const text = file(['SUMMARY:Every day', 'DTSTART;VALUE=DATE:20180101', 'RRULE:FREQ=DAILY'])
    expect(datesOfCalendar(text, YEARS)[0]!.dates).toHaveLength(365 * 5 + 1)
  })
})
