import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiBody, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { PartParamsDto, SavePartDto, type PartRevision } from '@wired-falcon/contract';
import { schemaRef } from '../http/openApi.ts';
import { WorkshopParts } from '../workshop/workshopParts.ts';

/** Parts that the workshop made itself, in revisions. The samples are part of the product and are not listed. */
@ApiTags('parts')
@Controller('parts')
export class PartsController {
  constructor(private readonly parts: WorkshopParts) {}

  @Get()
  @ApiOperation({ summary: 'The newest revision of each part of the workshop' })
  @ApiOkResponse({ description: 'A list of PartRevision' })
  async list(): Promise<PartRevision[]> {
    return (await this.parts.newest()).map(({ content: part, ...rest }) => ({ part, ...rest }));
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: 'A new part, or a new revision of one; refused when somebody saved one meanwhile' })
  @ApiBody({ schema: schemaRef(SavePartDto) })
  @ApiOkResponse({ description: 'PartRevision' })
  async save(@Body() { part, base, by }: SavePartDto): Promise<PartRevision> {
    const { content, ...rest } = await this.parts.save(part, base, by, new Date().toISOString());
    return { part: content, ...rest };
  }

  @Get(':id/revisions')
  @ApiOperation({ summary: 'Every revision of a part, the newest first' })
  @ApiOkResponse({ description: 'A list of PartRevision' })
  async revisions(@Param() { id }: PartParamsDto): Promise<PartRevision[]> {
    return (await this.parts.revisionsOf(id)).map(({ content: part, ...rest }) => ({ part, ...rest }));
  }
}
