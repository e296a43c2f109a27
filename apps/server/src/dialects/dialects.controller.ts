import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiBody, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { DialectParamsDto, SaveDialectDto, type DialectRevision } from '@wired-falcon/contract';
import { schemaRef } from '../http/openApi.ts';
import { WorkshopDialects } from '../workshop/workshopDialects.ts';

/** Dialects of the workshop's own, in revisions. The samples are part of the product and are not listed. */
@ApiTags('dialects')
@Controller('dialects')
export class DialectsController {
  constructor(private readonly dialects: WorkshopDialects) {}

  @Get()
  @ApiOperation({ summary: 'The newest revision of each dialect of the workshop' })
  @ApiOkResponse({ description: 'A list of DialectRevision' })
  async list(): Promise<DialectRevision[]> {
    return (await this.dialects.newest()).map(({ content: dialect, ...rest }) => ({ dialect, ...rest }));
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: 'A new dialect, or a new revision of one; refused when somebody saved one meanwhile' })
  @ApiBody({ schema: schemaRef(SaveDialectDto) })
  @ApiOkResponse({ description: 'DialectRevision' })
  async save(@Body() { dialect, base, by }: SaveDialectDto): Promise<DialectRevision> {
    const { content, ...rest } = await this.dialects.save(dialect, base, by, new Date().toISOString());
    return { dialect: content, ...rest };
  }

  @Get(':id/revisions')
  @ApiOperation({ summary: 'Every revision of a dialect, the newest first' })
  @ApiOkResponse({ description: 'A list of DialectRevision' })
  async revisions(@Param() { id }: DialectParamsDto): Promise<DialectRevision[]> {
    return (await this.dialects.revisionsOf(id)).map(({ content: dialect, ...rest }) => ({ dialect, ...rest }));
  }
}
