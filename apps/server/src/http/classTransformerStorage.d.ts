declare module 'class-transformer/cjs/storage.js' {
  /** Holds what `@Type` was told; the package gives it under this name only. */
  export const defaultMetadataStorage: NonNullable<
    import('class-validator-jsonschema/build/options').IOptions['classTransformerMetadataStorage']
  >;
}
