import { Injectable } from '@angular/core';
import { BaseRouteReuseStrategy, type ActivatedRouteSnapshot } from '@angular/router';

/** A view is of one document: another one of the same kind gets a view of its own, and the first is left as any other view is. */
@Injectable({ providedIn: 'root' })
export class OwnView extends BaseRouteReuseStrategy {
  override shouldReuseRoute(future: ActivatedRouteSnapshot, current: ActivatedRouteSnapshot): boolean {
    return super.shouldReuseRoute(future, current) && future.params['id'] === current.params['id'];
  }
}
