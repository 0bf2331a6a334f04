import { CdkDrag, CdkDragHandle, CdkDropList, CdkDropListGroup, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { canStand, within, type Block, type ListPlace } from '../../../../../core/page';

/** A block that is moved, into a list and to a place in it that is counted without it. */
export interface Moved {
  readonly id: string;
  readonly to: ListPlace & { readonly at: number };
}

/** What stands on a page, as a list in lists: picked, moved by drag or by buttons, copied and taken off. */
@Component({
  selector: 'zest-block-outline',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDragHandle, CdkDropList, CdkDropListGroup, MatButtonModule, MatIconModule, NgTemplateOutlet],
  templateUrl: './block-outline.html',
  styleUrl: './block-outline.scss',
})
export class BlockOutline {
  readonly blocks = input.required<readonly Block[]>();
  readonly pickedId = input.required<string>();
  /** What a block shows, and what kind of thing it is. */
  readonly titleOf = input.required<(block: Block) => string>();
  readonly aboutOf = input.required<(block: Block) => string>();
  readonly picked = output<string>();
  readonly moved = output<Moved>();
  readonly nudged = output<{ readonly id: string; readonly by: -1 | 1 }>();
  readonly copied = output<string>();
  readonly removed = output<string>();

  protected readonly page: ListPlace = { block: '', list: 0 };
  protected readonly first = computed(() => this.blocks()[0]?.id);
  protected readonly last = computed(() => this.blocks().at(-1)?.id);

  protected within = (block: Block): readonly (readonly Block[])[] => within(block);
  protected listName = (block: Block, list: number): string =>
    `${block.kind === 'columns' ? `Column ${list + 1}` : 'Section'}: ${this.titleOf()(block)}`;
  protected placeIn = (block: Block, list: number): ListPlace => ({ block: block.id, list });
  /** What is dragged goes only where it can stand. */
  protected mayEnter = (drag: CdkDrag<Block>, list: CdkDropList<ListPlace>): boolean => canStand(this.blocks(), drag.data, list.data);
  protected drop({ item, container, currentIndex }: CdkDragDrop<ListPlace, ListPlace, Block>): void {
    this.moved.emit({ id: item.data.id, to: { ...container.data, at: currentIndex } });
  }
}
