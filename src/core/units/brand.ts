declare const unit: unique symbol

/** A number that carries its unit in its type, so that two units cannot be mixed by accident. */
export type Brand<U extends string> = number & { readonly [unit]: U }
