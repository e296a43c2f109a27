import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsISO8601,
  IsObject,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateNested,
} from 'class-validator';
import {
  ID_PATTERN,
  LIMITS,
  type AircraftId,
  type Dialect,
  type DialectId,
  type Edit,
  type EditId,
  type ItemId,
  type Part,
  type PartId,
} from '@wired-falcon/core';
import { IsDialect } from './isDialect.ts';
import { IsEdit } from './isEdit.ts';
import { IsPart } from './isPart.ts';

/** Ids as they stand in addresses and requests: by the rule that core holds documents to. */
const ID = new RegExp(ID_PATTERN);
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

  /** The version of the document's shape that the sender knew when the edit was made. */
  @IsInt()
  @Min(1)
  schema!: number;

  @IsEdit()
  edit!: Edit;
}

export class EditsRequestDto {
  /** The epoch of the workshop in which the sender's document is at home; see `AircraftResponse`. */
  @Matches(ID)
  epoch!: string;

  /** The version of the document that the edits were made on. */
  @IsInt()
  @Min(0)
  @Max(Number.MAX_SAFE_INTEGER)
  baseVersion!: number;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(LIMITS.editsPerRequest)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => SubmittedEditDto)
  edits!: SubmittedEditDto[];
}

export class ArrivedRequestDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(LIMITS.editsPerRequest)
  @Matches(ID, { each: true })
  editIds!: EditId[];
}

export class CreateAircraftDto {
  @IsString()
  @Length(1, LIMITS.nameChars)
  @Matches(PLAIN_TEXT)
  name!: string;
}

/** What goes with every revision of something of the workshop's own. */
class SaveRevisionDto {
  /** The number of the revision that this one was made from; 0 for something new. */
  @IsInt()
  @Min(0)
  @Max(Number.MAX_SAFE_INTEGER)
  base!: number;

  @IsString()
  @Length(1, LIMITS.nameChars)
  @Matches(PLAIN_TEXT)
  by!: string;
}

export class SavePartDto extends SaveRevisionDto {
  @IsPart()
  part!: Part;
}

export class SaveDialectDto extends SaveRevisionDto {
  @IsDialect()
  dialect!: Dialect;
}

export class DialectParamsDto {
  @Matches(ID)
  id!: DialectId;
}

export class PartParamsDto {
  @Matches(ID)
  id!: PartId;
}

export class AircraftParamsDto {
  @Matches(ID)
  id!: AircraftId;
}

export class DumpParamsDto extends AircraftParamsDto {
  @Matches(ID)
  dump!: string;
}

export class KeepDumpDto {
  /** Drawn by the sender: a repeat gets the first answer. */
  @Matches(ID)
  id!: string;

  /** The controller that it was read from. */
  @Matches(ID)
  controller!: ItemId;

  @IsString()
  @Length(1, LIMITS.nameChars)
  @Matches(PLAIN_TEXT)
  by!: string;

  @IsString()
  @Length(0, LIMITS.reasonChars)
  @Matches(PLAIN_TEXT)
  note!: string;

  /** As it was read, whatever is in it. */
  @IsString()
  @Length(1, LIMITS.dumpChars)
  text!: string;
}

export class DumpRemovedDto {
  @IsBoolean()
  removed!: boolean;
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

export class PositionParamsDto extends AircraftParamsDto {
  @Type(() => Number)
  @IsInt()
  @Min(0)
  version!: number;
}

export class SinceQueryDto {
  @Matches(ID)
  epoch!: string;

  @Type(() => Number)
  @IsInt()
  @Min(0)
  since!: number;
}
