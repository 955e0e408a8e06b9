import { asDocument, asPlainDocument, type GivenModel } from '~~/core/arima/orderOptions'
import type { MethodChange } from '~~/core/finding'
import type { ModelPart } from './shown'

/** What makes a model by hand of the forecast, or of the trend, which has no season. */
export function modelChange(part: ModelPart, model: GivenModel): MethodChange {
  return { [part]: part === 'forecast' ? asDocument(model) : asPlainDocument(model) }
}
