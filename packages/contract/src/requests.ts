import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsInt,
  IsISO8601,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateNested,
} from 'class-validator';
import { LIMITS, type AircraftId, type Edit, type EditId, type Part, type PartId } from '@wired-falcon/core';
import { IsEdit } from './isEdit.ts';
import { IsPart } from './isPart.ts';

/** Ids as they stand in addresses and requests; the same pattern that core holds documents to. */
const ID = /^[A-Za-z0-9][A-Za-z0-9-]{0,39}$/;
/** Visible characters without control characters or marks that turn the reading direction. */
const PLAIN_TEXT = /^[^\p{Cc}\p{Cf}]*$/u;

export class SubmittedEditDto {
  /** Unique in its aircraft: a repeat gets the first answer. */
  @Matches(ID)
  editId!: EditId;

  @IsISO8601({ strict: true })
  at!: string;

  @IsString()
  @Length(1, LIMITS.nameChars)
  @Matches(PLAIN_TEXT)
  by!: string;

  @IsEdit()
  edit!: Edit;
}

export class EditsRequestDto {
  /** The version of the document that the edits were made on. */
  @IsInt()
  @Min(0)
  @Max(Number.MAX_SAFE_INTEGER)
  baseVersion!: number;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(LIMITS.editsPerRequest)
  @ValidateNested({ each: true })
  @Type(() => SubmittedEditDto)
  edits!: SubmittedEditDto[];
}

export class CreateAircraftDto {
  @IsString()
  @Length(1, LIMITS.nameChars)
  @Matches(PLAIN_TEXT)
  name!: string;
}

export class SavePartDto {
  @IsPart()
  part!: Part;

  /** The number of the revision that this one was made from; 0 for a new part. */
  @IsInt()
  @Min(0)
  @Max(Number.MAX_SAFE_INTEGER)
  base!: number;

  @IsString()
  @Length(1, LIMITS.nameChars)
  @Matches(PLAIN_TEXT)
  by!: string;
}

export class PartParamsDto {
  @Matches(ID)
  id!: PartId;
}

export class AircraftParamsDto {
  @Matches(ID)
  id!: AircraftId;
}

export class DocumentParamsDto extends AircraftParamsDto {
  @Matches(ID)
  kind!: string;

  @Matches(ID)
  subject!: string;
}

export class AircraftQueryDto {
  @IsString()
  @Length(1, LIMITS.nameChars)
  @Matches(PLAIN_TEXT)
  author!: string;
}

export class SinceQueryDto {
  @Type(() => Number)
  @IsInt()
  @Min(0)
  since!: number;
}
