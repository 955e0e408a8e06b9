import { z } from 'zod'
import {
  beginRunSchema,
  changeRunSchema,
  runSchema,
  runStateSchema,
  seenSchema,
} from './api/catalogue'
import { dateListsSchema } from './api/dateLists'
import { takeOnRowSchema } from './api/derived'
import { deskSchema, viewSaveSchema } from './api/desk'
import { agreeSchema, keepRequestSchema, keptQuerySchema } from './api/kept'
import { givenKeySchema } from './api/key'
import { problemSchema } from './api/problem'
import { reportChoicesSchema, reportRequestSchema } from './api/report'
import {
  changeSeriesSchema,
  createSeriesSchema,
  exportForecastsSchema,
  exportRequestSchema,
  seriesActSchema,
  seriesIdParams,
  shelfPageSchema,
  shelfQuerySchema,
  shelfSchema,
  trashSchema,
  updateAllSchema,
  updateSeriesSchema,
  valuesQuerySchema,
  vintagesSchema,
} from './api/series'
import { storageSchema } from './api/storage'
import { groupSeasonRequestSchema } from './api/groupSeason'
import { chosenSchema } from './api/sums'
import {
  analysisRequestSchema,
  beginRequestSchema,
  heldContestSchema,
  keptContestSchema,
  newStudySchema,
  renameStudySchema,
  saveStudySchema,
  studySchema,
  studyTabsSchema,
} from './api/studies'
import { methodSchema } from './methodSchema'
import { seriesDocumentSchema } from './seriesSchema'
import { VERSION } from './version'

/** What a request to a route is made of, and what it is answered with; what is left out is not there. */
interface Described {
  readonly does: string
  readonly query?: z.ZodType
  readonly body?: z.ZodType
  /** A file in place of JSON. */
  readonly takesFile?: true
  readonly answer?: z.ZodType
  /** A document of a format of its own, described in words. */
  readonly gives?: string
  readonly givesFile?: string
  readonly status?: number
}

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete'

/** Every route below `/api/v1`, as it stands in `server/api/v1`: a test holds the two together. */
export const ROUTES: Readonly<Record<string, Readonly<Partial<Record<Method, Described>>>>> = {
  '/series': {
    get: {
      does: 'The shelf, by pages where limit is said',
      query: shelfQuerySchema,
      answer: shelfPageSchema,
    },
    post: {
      does: 'Keeps new series, all or none',
      body: createSeriesSchema,
      answer: shelfSchema,
      status: 201,
    },
  },
  '/series/acts': {
    post: {
      does: 'Puts series into the trash or a group, or takes them out',
      body: seriesActSchema,
      gives: 'how many',
    },
  },
  '/series/export': {
    post: {
      does: 'Series as a file',
      body: exportRequestSchema,
      givesFile: 'CSV, XLSX or a data package',
    },
  },
  '/series/trash': { get: { does: 'What lies in the trash', answer: trashSchema } },
  '/series/updates': {
    post: {
      does: 'Newer values of several series, all or none',
      body: updateAllSchema,
    },
  },
  '/series/values': {
    get: { does: 'Values of series', query: valuesQuerySchema, gives: 'values by series' },
  },
  '/series/{id}': { patch: { does: 'Name, unit, group and notes', body: changeSeriesSchema } },
  '/series/{id}/agreed': {
    put: { does: 'Which kept forecast is the agreed one', body: agreeSchema },
  },
  '/series/{id}/kept': {
    post: {
      does: 'Keeps a forecast',
      body: keepRequestSchema,
      gives: 'elvant-kept/1',
      status: 201,
    },
  },
  '/series/{id}/rows': {
    post: {
      does: 'A calculated row, or the values in a coarser rhythm, as a series that follows',
      body: takeOnRowSchema,
      gives: 'its row of the shelf',
      status: 201,
    },
  },
  '/series/{id}/seen': {
    put: { does: 'Notes that what there is to look at was seen', body: seenSchema },
  },
  '/series/{id}/studies': {
    get: { does: 'The studies of a series', answer: studyTabsSchema },
    post: {
      does: 'A new study',
      body: newStudySchema,
      answer: z.strictObject({ id: z.uuid() }),
      status: 201,
    },
  },
  '/series/{id}/vintages': {
    get: { does: 'The values as they came in each time', answer: vintagesSchema },
    post: {
      does: 'Newer values',
      body: updateSeriesSchema,
    },
  },
  '/studies/{id}': {
    get: { does: 'A study with its series', answer: studySchema },
    put: {
      does: 'Saves a study over the version it started from; 409 with the stored one where that is older',
      body: saveStudySchema,
      answer: studySchema,
    },
    patch: { does: 'Names a study', body: renameStudySchema },
    delete: { does: 'Deletes a study that is not the only one' },
  },
  '/studies/{id}/contest': {
    get: { does: 'The last contest of methods', answer: keptContestSchema },
    put: { does: 'Keeps a contest', body: heldContestSchema, answer: keptContestSchema },
  },
  '/studies/{id}/desk': {
    get: { does: 'Steps of undo, and how the Bench was left', answer: deskSchema },
    put: { does: 'How the Bench is left', body: viewSaveSchema },
  },
  '/studies/{id}/report': {
    get: { does: 'What was chosen for the report', answer: reportChoicesSchema },
    put: { does: 'Keeps that', body: reportChoicesSchema, answer: reportChoicesSchema },
  },
  '/kept': {
    get: {
      does: 'Kept forecasts with how they did, the worst first',
      query: keptQuerySchema,
      gives: 'a list of rows',
    },
  },
  '/kept/{id}': {
    get: { does: 'A kept forecast with all that it was made of', gives: 'elvant-kept/1' },
  },
  '/catalogue': {
    get: { does: 'The work over many series, as it stands', answer: runStateSchema },
    post: {
      does: 'Works series through, or keeps a forecast of each',
      body: beginRunSchema,
      answer: runSchema,
      status: 202,
    },
    put: { does: 'Has it wait, go on or end', body: changeRunSchema, answer: runSchema },
  },
  '/catalogue/export': {
    post: {
      does: 'The forecasts of series that were worked through, as a file',
      body: exportForecastsSchema,
      givesFile: 'two tables as CSV in a zip, XLSX or a data package',
    },
  },
  '/catalogue/demo': {
    post: { does: 'Puts 2,000 invented articles on the shelf', gives: 'how many', status: 201 },
  },
  '/sums': {
    post: {
      does: 'Series added up, with forecasts of the sums, made to agree; nothing is kept',
      body: chosenSchema,
      gives: 'elvant-added-up/1',
    },
  },
  '/group-seasons': {
    post: {
      does: 'The season that series of a group have in common, tried on each; nothing is kept',
      body: groupSeasonRequestSchema,
      gives: 'elvant-group-season/1',
    },
  },
  '/analyses': {
    post: {
      does: 'Runs a method on a series; nothing is kept',
      body: analysisRequestSchema,
      gives: 'elvant-result/1',
    },
  },
  '/beginnings': {
    post: {
      does: 'The method that a series begins with; nothing is kept',
      body: beginRequestSchema,
      gives: 'elvant-begin/1',
    },
  },
  '/reports': {
    post: { does: 'A report on series of the shelf', body: reportRequestSchema, givesFile: 'HTML' },
  },
  '/files': {
    post: {
      does: 'Keeps a file as it was brought in',
      takesFile: true,
      gives: 'its id',
      status: 201,
    },
  },
  '/files/{id}': { get: { does: 'The file as it was brought in', givesFile: 'any' } },
  '/date-lists': {
    get: { does: 'Lists of holidays and the like that studies use', answer: dateListsSchema },
  },
  '/storage': { get: { does: 'Whether anything can be kept', answer: storageSchema } },
  '/backup': {
    get: { does: 'The whole database', givesFile: 'a sealed backup' },
    post: { does: 'Puts a backup in its place', takesFile: true },
  },
  '/key': {
    post: {
      does: 'Gives the key of a server that others can reach; the browser keeps it',
      body: givenKeySchema,
    },
  },
  '/openapi.json': { get: { does: 'This document', gives: 'OpenAPI 3.1' } },
}

/**
 * The HTTP interface as an OpenAPI 3.1 document, made of the schemas that the routes check by.
 *
 * @example openApi().paths['/api/v1/analyses'].post.requestBody
 */
export function openApi() {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Elvant',
      version: VERSION,
      description:
        'Decompose, deseasonalize and forecast business series. Refusals are problem details (RFC 9457).',
    },
    paths: Object.fromEntries(
      Object.entries(ROUTES).map(([path, methods]) => [
        `/api/v1${path}`,
        Object.fromEntries(
          Object.entries(methods).map(([method, own]) => [method, operation(path, method, own)]),
        ),
      ]),
    ),
    components: {
      schemas: Object.fromEntries(
        NAMED.map(([schema, name]) => [name, schemaOf(schema, 'input', schema)]),
      ),
      responses: {
        Refused: {
          description: 'What is wrong, where, and what to do',
          content: {
            'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } },
          },
        },
      },
      securitySchemes: { key: { type: 'http', scheme: 'bearer' } },
    },
    /** Only a server that others can reach asks for its key. */
    security: [{}, { key: [] }],
  }
}

function operation(path: string, method: string, own: Described) {
  const body = own.takesFile
    ? { 'application/octet-stream': {} }
    : own.body && { 'application/json': { schema: schemaOf(own.body, 'input') } }
  return {
    operationId: `${method} ${path}`.replace(/[^a-z]+/gi, '_').replace(/_$/, ''),
    summary: own.does,
    parameters: [
      ...(path.includes('{id}')
        ? [
            {
              name: 'id',
              in: 'path',
              required: true,
              schema: schemaOf(seriesIdParams.shape.id, 'input'),
            },
          ]
        : []),
      ...(own.query ? queryParameters(own.query) : []),
    ],
    ...(body ? { requestBody: { required: true, content: body } } : {}),
    responses: {
      [own.status ?? (isAnswered(own) ? 200 : 204)]: answerOf(own),
      default: { $ref: '#/components/responses/Refused' },
    },
  }
}

function isAnswered({ answer, gives, givesFile }: Described): boolean {
  return [answer, gives, givesFile].some((one) => one !== undefined)
}

function answerOf({ answer, gives, givesFile }: Described) {
  if (givesFile !== undefined) {
    return { description: `A file: ${givesFile}`, content: { 'application/octet-stream': {} } }
  }
  if (answer) {
    return {
      description: 'Done',
      content: { 'application/json': { schema: schemaOf(answer, 'output') } },
    }
  }
  if (gives === undefined) return { description: 'Done' }
  return { description: `JSON: ${gives}`, content: { 'application/json': {} } }
}

function queryParameters(query: z.ZodType) {
  const { properties = {}, required = [] } = schemaOf(query, 'input')
  return Object.entries(properties).map(([name, schema]) => ({
    ...{ name, in: 'query', required: required.includes(name), schema },
  }))
}

/** Schemas that are spoken of by name: written out wherever they are used, a method alone would make the document ten times as long. */
const NAMED: readonly (readonly [z.ZodType, string])[] = [
  [methodSchema, 'Method'],
  [seriesDocumentSchema, 'SeriesDocument'],
  [problemSchema, 'Problem'],
]
const nameOf = new Map<unknown, string>(NAMED)

/**
 * What a schema takes, or gives; what only a program can check is left open.
 *
 * @param named the one that is written out although it has a name
 */
function schemaOf(schema: z.ZodType, io: 'input' | 'output', named?: z.ZodType) {
  const { $schema: _, ...own } = z.toJSONSchema(schema, {
    ...{ io, unrepresentable: 'any' },
    override({ zodSchema, jsonSchema }) {
      const own: unknown = zodSchema
      const name = nameOf.get(own)
      if (name === undefined || own === named) return
      for (const key of Object.keys(jsonSchema)) delete jsonSchema[key as keyof typeof jsonSchema]
      jsonSchema.$ref = `#/components/schemas/${name}`
    },
  })
  return own
}
